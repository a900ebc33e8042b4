<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** WAV: a RIFF file whose sizes have 32 bits, and RF64 with 64 where 4 GB do not do. */
final class Wav implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use SoundAlone {
        options as private;
    }

    public function id(): string
    {
        return 'wav';
    }

    public function name(): string
    {
        return 'WAV';
    }

    public function extension(): string
    {
        return 'wav';
    }

    public function audioCodecs(): array
    {
        return ['pcm'];
    }

    public function muxer(): string
    {
        return 'wav';
    }

    /** The head of the file is made RF64 once it passes 4 GB, and stays plain WAV below. */
    public function options(): array
    {
        return ['-rf64', 'auto'];
    }

    /** Chunk headers, and the room for the 64-bit sizes. */
    public function overhead(Payload $payload): int
    {
        return 150;
    }
}
