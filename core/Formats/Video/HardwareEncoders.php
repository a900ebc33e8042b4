<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** The engine's encoders in graphics chips. */
final class HardwareEncoders
{
    /** By codec, the one that keeps most of the picture first. */
    private const ENCODERS = [
        'h264' => ['h264_nvenc', 'h264_qsv', 'h264_videotoolbox', 'h264_amf'],
        'hevc' => ['hevc_nvenc', 'hevc_qsv', 'hevc_videotoolbox', 'hevc_amf'],
        'av1' => ['av1_nvenc', 'av1_qsv', 'av1_amf'],
    ];

    /**
     * The encoder for a codec among those that work on a machine; null where there is none.
     *
     * @param  list<string>  $working
     */
    public static function find(string $codec, array $working): ?string
    {
        return array_values(array_intersect(self::ENCODERS[$codec] ?? [], $working))[0] ?? null;
    }

    /** @return list<string> */
    public static function all(): array
    {
        return array_merge(...array_values(self::ENCODERS));
    }
}
