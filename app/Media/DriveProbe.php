<?php

namespace App\Media;

use App\Engine\Runner;

/**
 * Asks a drive for a sign of life before anything is done there: whoever touches one that hangs, as a share whose server has gone, waits
 * for as long as it does. The question is put by a program that is left alone, and which holds a lock until it has an answer: whatever
 * that says, it is one. Nobody asks again while an earlier question is open.
 */
class DriveProbe
{
    /** Seconds that a page waits for it. */
    private const MOMENT = 1;

    /** Seconds for which a page takes it that a drive which answered is there. */
    private const LATELY = 3;

    /** Nanoseconds for which what is known is not looked up again. */
    private const HOLDS = 1_000_000_000;

    /** Of the file whose time says when a place last answered. */
    private const ANSWERED = '.answered';

    /** @var array<string, array{int, bool}> by mount point: until when it is known, and what */
    private array $known = [];

    public function __construct(private readonly Runner $runner)
    {
    }

    /** Whether its file system says how full it is, or that there is no such place. */
    public function answers(string $place): bool
    {
        $point = Mounts::point($place);
        if (Mounts::isOwn($point)) {
            return true;
        }
        $answers = $this->ask($place, (int) config('crate.drives.patience'), 0);
        $answers && @touch(self::file($point).self::ANSWERED);

        return $answers;
    }

    /** Whether the drive of a place answered a moment ago, or does so in a moment: what a page can wait for. */
    public function answeredLately(string $place): bool
    {
        $point = Mounts::point($place);
        if (Mounts::isOwn($point)) {
            return true;
        }
        [$until, $answered] = $this->known[$point] ?? [0, false];
        if ($until < hrtime(true)) {
            $answered = $this->ask($point, self::MOMENT, self::LATELY);
            $this->known[$point] = [hrtime(true) + self::HOLDS, $answered];
        }

        return $answered;
    }

    /**
     * @param  int  $within  seconds that it is waited for
     * @param  int  $lately  seconds for which an earlier answer holds
     */
    private function ask(string $place, int $within, int $lately): bool
    {
        $question = self::file($place);
        $answer = $question.self::ANSWERED;
        clearstatcache(true, $answer);
        if ($lately > 0 && time() - (int) @filemtime($answer) < $lately) {
            return true;
        }

        // Where storage is full or not ours, a question is put by itself, and nothing is kept of its answer.
        $isKept = is_writable($question) || @touch($question);
        $answers = (! $isKept || $this->isClosed($question, $within))
            && $this->runner->ends([...$isKept ? ['flock', $question] : [], 'stat', '--file-system', '--', $place], $within);
        $answers && @touch($answer);

        return $answers;
    }

    /** What a question about a place holds while it is open. */
    private static function file(string $place): string
    {
        $folder = storage_path('framework/drives');
        is_dir($folder) || @mkdir($folder, 0o777, true);

        return "{$folder}/".hash('xxh128', $place);
    }

    /** Whether no earlier question is open, or has its answer in time. */
    private function isClosed(string $question, int $within): bool
    {
        // What is begun meanwhile is not to hold it as well.
        $open = @fopen($question, 'ce');
        if ($open === false) {
            return true;
        }
        clearstatcache(true, $question);
        // Times of files count whole seconds.
        $left = (int) @filemtime($question) + $within + 1 - time();
        $isClosed = $this->runner->comes(fn (): bool => flock($open, LOCK_EX | LOCK_NB), max(0, min($within, $left)));
        fclose($open);
        $isClosed && @touch($question);

        return $isClosed;
    }
}
