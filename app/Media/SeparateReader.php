<?php

namespace App\Media;

use App\Engine\Runner;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\ByteCount;

/** Reads files for web processes in a separate, limited process, so that damaged or hostile files cannot exhaust the web server. */
final class SeparateReader
{
    /** Exit statuses above this mean that a signal ended the process: 128 + its number. */
    private const SIGNAL_BASE = 128;

    /** Highest signal number (signal(7)). */
    private const MAX_SIGNAL = 64;

    public function __construct(private readonly CutReader $reader, private readonly Runner $runner)
    {
    }

    /**
     * The data from which ProbeReader builds a Reading.
     *
     * @return array{probe: array<mixed>, fastStart: ?bool}
     *
     * @throws Refused
     */
    public function probe(string $path): array
    {
        // Commands and workers are separate processes already.
        if (! app()->runningInConsole()) {
            return $this->ask($path, ['--only-read']);
        }
        ['probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($path);

        return ['probe' => $probe, 'fastStart' => $fastStart];
    }

    /**
     * Runs `crate:bring-in` and returns its answer.
     *
     * @param  list<string>  $options
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    public function ask(string $path, array $options = []): array
    {
        ['seconds' => $seconds, 'memory' => $memory] = config('crate.reading');
        $php = [PHP_BINDIR.'/php', '-d', "memory_limit={$memory}", ...self::opcacheOptions()];
        $result = $this->runner->compute([...$php, 'artisan', 'crate:bring-in', ...$options, '--', $path], base_path(), $seconds);
        if ($result === null) {
            throw ReadingStopped::atLimit($path, "{$seconds} seconds", 'CRATE_READING_SECONDS');
        }
        [$status, $output, $errors] = $result;
        if ($status !== 0 && str_contains($output.$errors, 'Allowed memory size')) {
            throw ReadingStopped::atLimit($path, (new ByteCount($memory)).' of memory', 'CRATE_READING_MEMORY');
        }
        if ($status > self::SIGNAL_BASE && $status <= self::SIGNAL_BASE + self::MAX_SIGNAL) {
            throw ReadingStopped::killed($path);
        }
        $told = json_decode($output, true);
        if (isset($told['refused'])) {
            throw ReadingStopped::told($told['refused']);
        }

        return is_array($told) ? $told : throw ReadingStopped::broken($path);
    }

    /** @return list<string> PHP options that reuse the scripts compiled by PHP-FPM, which halves the start time */
    private static function opcacheOptions(): array
    {
        $scripts = (string) ini_get('opcache.file_cache');

        return $scripts === '' ? [] : [
            '-d', 'opcache.enable_cli=1', '-d', 'opcache.file_cache_only=1', '-d', "opcache.file_cache={$scripts}",
        ];
    }
}
