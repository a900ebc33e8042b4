<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Formats\KnownCodecs;

/** Everyday names of what a prober reports, for codecs and containers that a cut may come in. */
final class CodecNames
{
    private const AUDIO = [
        'aac' => 'AAC',
        'mp3' => 'MP3',
        'mp2' => 'MP2',
        'ac3' => 'AC-3',
        'eac3' => 'E-AC-3',
        'flac' => 'FLAC',
        'alac' => 'ALAC',
        'opus' => 'Opus',
        'vorbis' => 'Vorbis',
        'dts' => 'DTS',
        'truehd' => 'TrueHD',
    ];

    public static function codec(string $id): string
    {
        return KnownCodecs::video($id)?->name() ?? self::AUDIO[$id] ?? (str_starts_with($id, 'pcm_') ? 'PCM' : strtoupper($id));
    }

    /** The profile in its usual spelling, or null where it says nothing. ProRes profiles are known by their names alone. */
    public static function profile(string $codec, ?string $profile): ?string
    {
        if (
            $profile === null ||
            $profile === '' ||
            $profile === 'unknown' ||
            (preg_match('~^-?\d+$~', $profile) === 1 && $profile !== '4444')
        ) {
            return null;
        }

        return match (true) {
            $codec === 'prores' => match ($profile) {
                'HQ' => '422 HQ',
                'Standard' => '422',
                'LT' => '422 LT',
                'Proxy' => '422 Proxy',
                'XQ' => '4444 XQ',
                default => $profile,
            },
            $codec === 'aac' => $profile === 'LC' ? '-LC' : $profile,
            default => $profile,
        };
    }

    /** The usual name of a level and its coded number; null if there is none. */
    public static function level(string $codec, ?int $level): ?string
    {
        return $level === null ? null : KnownCodecs::video($codec)?->levelLabel($level) ?? (string) $level;
    }

    /**
     * Id and name of the container, from the prober's format name, the file's major brand, and its EBML document type.
     *
     * @return array{string, string}
     */
    public static function container(string $format, ?string $brand, ?string $docType): array
    {
        return match (true) {
            str_starts_with($format, 'mov,') && str_starts_with($brand ?? '', 'M4A') => ['m4a', 'M4A'],
            $format === 'folder' => ['folder', 'Image folder'],
            str_starts_with($format, 'mov,') => trim($brand ?? '') === 'qt' || $brand === null ? ['mov', 'MOV'] : ['mp4', 'MP4'],
            str_starts_with($format, 'matroska') => $docType === 'webm' ? ['webm', 'WebM'] : ['matroska', 'Matroska'],
            $format === 'mpeg' => ['mpeg-ps', 'MPEG-PS'],
            $format === 'mpegts' => ['mpeg-ts', 'MPEG-TS'],
            $format === 'mpegvideo' => ['mpeg-es', 'MPEG video'],
            str_starts_with($format, 'mxf') => ['mxf', 'MXF'],
            default => [$format, strtoupper($format)],
        };
    }
}
