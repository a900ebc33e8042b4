<?php

namespace App\Engine;

/** What a process of the engine may take: a damaged or hostile file must not take the machine with it. */
final readonly class Limits
{
    /**
     * @param  int  $seconds  of the clock
     * @param  int|null  $memory  bytes of address space
     * @param  int|null  $file  bytes of the largest file it writes
     * @param  int  $niceness  0 to 19: how far it stands back behind other processes
     */
    private function __construct(public int $seconds, private ?int $memory, private ?int $file, private int $niceness)
    {
    }

    public static function forLooks(): self
    {
        return self::configured('looks');
    }

    public static function forRuns(): self
    {
        return self::configured('runs');
    }

    public static function forSamples(): self
    {
        return self::configured('samples');
    }

    public static function forAnalysis(): self
    {
        return self::configured('analysis');
    }

    /** @return list<string> what comes before the program */
    public function command(): array
    {
        return [
            'prlimit', '--core=0',
            ...($this->memory === null ? [] : ["--as={$this->memory}"]),
            ...($this->file === null ? [] : ["--fsize={$this->file}"]),
            'nice', '-n', (string) $this->niceness,
        ];
    }

    private static function configured(string $kind): self
    {
        ['seconds' => $seconds, 'memory' => $memory, 'file' => $file, 'niceness' => $niceness] = config("crate.engine.limits.{$kind}");

        return new self($seconds, $memory, $file, $niceness);
    }
}
