<?php

namespace App\Engine;

use Closure;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\ProbeCommand;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\ProbeReader;

/** Asks the engine what a file is. */
class Prober
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * The prober's JSON for a file: streams, format, chapters, and under `first_frame` what the first frame of the picture says.
     *
     * @param  string|null  $format  the demuxer to take, for a single image; found out when null
     * @return array<mixed> empty when the prober could make nothing of the file
     *
     * @throws EngineFailed when the prober is missing or takes too long
     */
    public function probe(string $path, ?string $format = null): array
    {
        $probe = $this->json(ProbeCommand::file($path, $format));
        if (! isset($probe['streams'])) {
            return [];
        }
        $video = ProbeReader::firstVideo($probe);
        $frame = $this->frameOf($video, $probe['frames'] ?? []);
        if ($frame === [] && $video !== null) {
            $frame = $this->frameOf($video, $this->json(ProbeCommand::firstFrame($path, $format))['frames'] ?? []);
        }
        unset($probe['frames']);

        return $probe + ['first_frame' => $frame];
    }

    /**
     * Hands on every packet, in the order of decoding.
     *
     * @param  Closure(Packet): void  $take
     * @param  int|null  $most  how many, from the start; all of them when null
     * @param  bool  $pictureOnly  leaves out the packets of all but the picture
     * @param  (Closure(): void)|null  $meanwhile  done while the prober begins, before the first packet is handed on
     *
     * @throws EngineFailed
     */
    public function packets(
        string $path,
        Closure $take,
        ?int $most = null,
        bool $pictureOnly = false,
        ?Closure $meanwhile = null,
    ): void {
        $this->runner->lines(ProbeCommand::packets($path, $most, $pictureOnly), function (string $line) use ($take): void {
            $packet = Packet::ofLine($line);
            $packet === null ?: $take($packet);
        }, $meanwhile);
    }

    /**
     * @param  list<array<mixed>>  $frames
     * @return array<mixed>
     */
    private function frameOf(?int $stream, array $frames): array
    {
        foreach ($frames as $frame) {
            if (($frame['stream_index'] ?? null) === $stream) {
                return $frame;
            }
        }

        return [];
    }

    /** @return array<mixed> */
    private function json(Command $command): array
    {
        $decoded = json_decode($this->runner->listen($command), true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        return is_array($decoded) ? $decoded : [];
    }
}
