<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** An MP3 stream with a tag before it. */
final class Mp3File implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use SoundAlone;

    public function id(): string
    {
        return 'mp3';
    }

    public function name(): string
    {
        return 'MP3';
    }

    public function extension(): string
    {
        return 'mp3';
    }

    public function audioCodecs(): array
    {
        return ['mp3'];
    }

    public function muxer(): string
    {
        return 'mp3';
    }

    /** The tag and the frame that tells the length. */
    public function overhead(Payload $payload): int
    {
        return 700;
    }
}
