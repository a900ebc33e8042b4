<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** A folder with a numbered image for each frame. The number is that of the frame in the cut. */
final class ImageFolder implements Container
{
    use CarriesAnyFrameRate;
    use CarriesAnySamples;
    use WithoutIndexAhead;

    /** Endings of the images by codec. */
    private const ENDINGS = ['png' => 'png', 'mjpeg' => 'jpg', 'tiff' => 'tif'];

    public function id(): string
    {
        return 'folder';
    }

    public function name(): string
    {
        return 'Image folder';
    }

    /** None: a folder. */
    public function extension(): string
    {
        return '';
    }

    /** Name of the images of a cut, with a place for the number in the engine's notation. */
    public function pattern(string $name, string $codec): string
    {
        return str_replace('%', '%%', $name).'_%06d.'.(self::ENDINGS[$codec] ?? $codec);
    }

    public function videoCodecs(): array
    {
        return array_keys(self::ENDINGS);
    }

    public function audioCodecs(): array
    {
        return [];
    }

    public function keepsColour(): bool
    {
        return false;
    }

    public function muxer(): string
    {
        return 'image2';
    }

    /** The list of checksums, a line for each image. */
    public function overhead(Payload $payload): int
    {
        return 90 * $payload->frames;
    }
}
