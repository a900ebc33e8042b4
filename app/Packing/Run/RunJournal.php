<?php

namespace App\Packing\Run;

use App\Engine\Capabilities;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Work;
use App\Work\Owner;
use OuterCrate\Encoding\Commands\Command;
use Throwable;

/** Writes the log of a run. What cannot be written down stops no run. */
final class RunJournal
{
    /** Bytes of what an engine said that are kept of one command. */
    private const MOST = 4096;

    public function __construct(private readonly Run $run)
    {
    }

    public function begun(int $attempt, Capabilities $capabilities): void
    {
        $engine = $capabilities->version() ?? 'unknown';
        $this->write('begun', ($attempt > 1 ? 'Begun again' : 'Begun').' on '.Owner::machine().", engine {$engine}.");
    }

    /** A command as it can be pasted into a shell, and what the engine said while it worked. */
    public function command(Command $command, string $program, string $said, float $seconds): void
    {
        $words = array_map(self::quoted(...), [$program, ...$command->arguments]);
        $this->write('command', implode(' ', $words), $seconds);
        $said = trim($said);
        $said === '' ?: $this->write('warning', mb_scrub(mb_strcut($said, 0, self::MOST)));
    }

    public function result(string $text, ?float $seconds = null): void
    {
        $this->write('result', $text, $seconds);
    }

    public function ended(string $text): void
    {
        $this->write('ended', $text);
    }

    /** Says once that the file has its name, whoever comes to say it: an owner may end between giving it and saying so. */
    public function made(string $path): void
    {
        $text = "Made: {$this->run->card['bytesLabel']} in {$path}.";
        $last = rescue(fn (): mixed => RunLog::query()->where('run_id', $this->run->id)->latest('id')->value('text'));
        $last === $text ?: $this->ended($text);
    }

    private function write(string $kind, string $text, ?float $seconds = null): void
    {
        try {
            RunLog::query()->create([
                'run_id' => $this->run->id, 'at' => Work::now(), 'kind' => $kind, 'text' => mb_scrub($text), 'seconds' => $seconds,
            ]);
        } catch (Throwable $e) {
            report($e);
        }
    }

    /** A word as a shell takes it for itself. */
    private static function quoted(string $word): string
    {
        return preg_match('~^[\w@%+=:,./-]+$~', $word) === 1 ? $word : "'".str_replace("'", "'\\''", $word)."'";
    }
}
