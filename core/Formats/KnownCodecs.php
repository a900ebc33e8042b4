<?php

declare(strict_types=1);

namespace OuterCrate\Formats;

use OuterCrate\Formats\Video\KnownVideo;
use OuterCrate\Formats\Video\ReadOnlyVideo;
use OuterCrate\Formats\Video\VideoFacts;

/** All video codecs that can be read: those of the catalogue, and those that are never written. Each of the latter is one line. */
final class KnownCodecs
{
    /** @var array<string, KnownVideo>|null by id */
    private static ?array $video = null;

    /** Null for an unknown codec. */
    public static function video(string $id): ?KnownVideo
    {
        return (self::$video ??= self::all())[$id] ?? null;
    }

    /** Defaults for an unknown codec. */
    public static function facts(string $id): VideoFacts
    {
        return self::video($id)?->facts() ?? new VideoFacts;
    }

    /** @return array<string, KnownVideo> by id */
    private static function all(): array
    {
        $read = [
            new ReadOnlyVideo('mpeg4', 'MPEG-4 Visual', new VideoFacts(isForDelivery: true)),
            new ReadOnlyVideo('vp8', 'VP8'),
            new ReadOnlyVideo('rawvideo', 'uncompressed', new VideoFacts(decodedPixels: 500_000_000)),
            new ReadOnlyVideo('v210', 'uncompressed 10-bit', new VideoFacts(decodedPixels: 500_000_000)),
            new ReadOnlyVideo('dvvideo', 'DV'),
            new ReadOnlyVideo('vc1', 'VC-1'),
            new ReadOnlyVideo('mpeg1video', 'MPEG-1'),
            new ReadOnlyVideo('jpeg2000', 'JPEG 2000'),
            new ReadOnlyVideo('qtrle', 'Animation RLE'),
        ];

        return (new Catalogue)->videoCodecs() + array_column(
            array_map(static fn (ReadOnlyVideo $codec): array => [$codec->id(), $codec], $read), 1, 0,
        );
    }
}
