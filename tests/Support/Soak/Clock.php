<?php

namespace Tests\Support\Soak;

use Symfony\Component\Process\Process;

/** The simulated clock of a machine, which can be set at any time (clock.c). */
final readonly class Clock
{
    private function __construct(private string $file, private string $library)
    {
    }

    /** Null if no compiler is installed. */
    public static function make(string $folder, string $machine): ?self
    {
        $library = "{$folder}/clock.so";
        $compiler = new Process(['cc', '-O2', '-Wall', '-shared', '-fPIC', '-o', $library, __DIR__.'/clock.c', '-ldl']);
        if (! is_file($library) && $compiler->run() !== 0) {
            return null;
        }
        $clock = new self("{$folder}/clock-{$machine}", $library);
        $clock->set(0);

        return $clock;
    }

    /** @param  int  $seconds  ahead of the real time; negative if behind */
    public function set(int $seconds): void
    {
        // Overwritten in place, because all processes have mapped it.
        $file = fopen($this->file, 'c+');
        fwrite($file, pack('q', $seconds));
        fclose($file);
    }

    /** @return array<string, string> environment of the processes that use it */
    public function surroundings(): array
    {
        return ['LD_PRELOAD' => $this->library, 'SOAK_CLOCK' => $this->file];
    }
}
