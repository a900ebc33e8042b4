<?php

namespace App\Engine;

use Closure;
use OuterCrate\Encoding\Commands\ProbeCommand;

/** Asks the engine what a file is. */
class Prober
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * The prober's JSON for a file: streams, format, chapters, its first packets, and under `first_frame` what the first frame says.
     *
     * @param  string|null  $format  the demuxer to take, for a single image; found out when null
     * @return array<mixed> empty when the prober could make nothing of the file
     *
     * @throws EngineFailed when the prober is missing or takes too long
     */
    public function probe(string $path, ?string $format = null): array
    {
        $decoded = $this->json($this->runner->listen(ProbeCommand::file($path, $format)));
        if (! isset($decoded['streams'])) {
            return [];
        }
        $first = $this->json($this->runner->listen(ProbeCommand::firstFrame($path, $format)));
        $configuration = $first['streams'][0] ?? [];
        foreach ($decoded['streams'] as $i => $stream) {
            if (isset($configuration['extradata']) && ($stream['index'] ?? null) === $configuration['index']) {
                $decoded['streams'][$i]['extradata'] = $configuration['extradata'];
            }
        }

        return $decoded + ['first_frame' => $first['frames'][0] ?? []];
    }

    /**
     * Hands on a line `stream,pts,dts,size,flags` for every packet.
     *
     * @param  Closure(string): void  $take
     *
     * @throws EngineFailed
     */
    public function packets(string $path, Closure $take): void
    {
        $this->runner->lines(ProbeCommand::packets($path), $take);
    }

    /** @return array<mixed> */
    private function json(string $text): array
    {
        $decoded = json_decode($text, true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        return is_array($decoded) ? $decoded : [];
    }
}
