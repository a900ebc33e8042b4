<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** A local file that the engine is to read, and nothing else with it. */
final class Input
{
    /** Demuxers that may open a cut. None of them follows a reference to another file. */
    private const FORMATS = [
        'mov', 'mp4', 'matroska', 'webm', 'avi', 'mxf', 'mxf_opatom', 'mpeg', 'mpegts', 'mpegvideo', 'h264', 'hevc', 'ivf', 'ogg', 'flv',
        'asf', 'wav', 'w64', 'aiff', 'mp3', 'aac', 'flac', 'dv', 'gxf', 'yuv4mpegpipe', 'nut', 'rm', 'wtv', '3gp', 'png_pipe', 'jpeg_pipe',
        'tiff_pipe',
    ];

    /** Pixels of a frame beyond which none is decoded: 16K is 133 million, and the largest frame of any level of HEVC 142. */
    public const MOST_PIXELS = 150_000_000;

    /**
     * @param  list<string>  $options  before the file
     * @return list<string>
     */
    public static function of(string $path, array $options = []): array
    {
        return [...self::guard(), ...$options, '-i', 'file:'.$path];
    }

    /** @return list<string> no network, no playlists, no other file, no frame beyond measure */
    private static function guard(): array
    {
        return [
            '-protocol_whitelist', 'file', '-format_whitelist', implode(',', self::FORMATS), '-max_pixels', (string) self::MOST_PIXELS,
        ];
    }
}
