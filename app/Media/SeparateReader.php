<?php

namespace App\Media;

use App\Engine\Runner;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\ByteCount;

/**
 * Has a file read by a process of its own with limits of time and memory, for the processes that answer pages: a damaged or hostile file
 * would otherwise take them with it.
 */
final class SeparateReader
{
    /** Above it, the status of a process tells the signal that ended it, of which there are so many (signal(7)). */
    private const SIGNALLED = 128;

    private const SIGNALS = 64;

    public function __construct(private readonly CutReader $reader, private readonly Runner $runner)
    {
    }

    /**
     * What a Reading is made of.
     *
     * @return array{probe: array<mixed>, fastStart: ?bool}
     *
     * @throws Refused
     */
    public function probe(string $path): array
    {
        // A command or a worker is a process of its own already.
        if (! app()->runningInConsole()) {
            return $this->ask($path, ['--only-read']);
        }
        ['probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($path);

        return ['probe' => $probe, 'fastStart' => $fastStart];
    }

    /**
     * What `crate:bring-in` answers.
     *
     * @param  list<string>  $options
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    public function ask(string $path, array $options = []): array
    {
        ['seconds' => $seconds, 'memory' => $memory] = config('crate.reading');
        $php = [PHP_BINDIR.'/php', '-d', "memory_limit={$memory}", ...self::compiled()];
        $result = $this->runner->compute([...$php, 'artisan', 'crate:bring-in', ...$options, '--', $path], base_path(), $seconds);
        if ($result === null) {
            throw ReadingStopped::atLimit($path, "{$seconds} seconds", 'CRATE_READING_SECONDS');
        }
        [$status, $output, $errors] = $result;
        if ($status !== 0 && str_contains($output.$errors, 'Allowed memory size')) {
            throw ReadingStopped::atLimit($path, (new ByteCount($memory)).' of memory', 'CRATE_READING_MEMORY');
        }
        if ($status > self::SIGNALLED && $status <= self::SIGNALLED + self::SIGNALS) {
            throw ReadingStopped::killed($path);
        }
        $told = json_decode($output, true);
        if (isset($told['refused'])) {
            throw ReadingStopped::told($told['refused']);
        }

        return is_array($told) ? $told : throw ReadingStopped::broken($path);
    }

    /** @return list<string> options of PHP by which it finds the scripts that this process has compiled: it begins in half the time */
    private static function compiled(): array
    {
        $scripts = (string) ini_get('opcache.file_cache');

        return $scripts === '' ? [] : [
            '-d', 'opcache.enable_cli=1', '-d', 'opcache.file_cache_only=1', '-d', "opcache.file_cache={$scripts}",
        ];
    }
}
