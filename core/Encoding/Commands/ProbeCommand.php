<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Reading\Packets\Packet;

/** What the prober is asked about a file. */
final class ProbeCommand
{
    private const FIRST_FRAME = 'frame=stream_index,interlaced_frame,top_field_first:frame_side_data';

    private const ENTRIES = 'stream:stream_tags:stream_disposition:stream_side_data:format:format_tags:chapter:chapter_tags:'
        .self::FIRST_FRAME;

    /** Packets that are read for the first frame: sound often lies before the picture. */
    private const PACKETS = 8;

    /**
     * Streams with their decoders' configuration, format, chapters, and what the decoders say of the first frames (fields, the
     * metadata that travels in the stream), as JSON. Packets are asked for by themselves, since the prober writes every one out in
     * hexadecimal when it is to show a configuration.
     *
     * @param  string|null  $format  the demuxer to take, for a single image; found out when null
     */
    public static function file(string $path, ?string $format = null): Command
    {
        return self::frames($path, $format, 'error', self::ENTRIES, self::PACKETS);
    }

    /** The first frame of the picture, where it lies behind more than a few packets of other streams. */
    public static function firstFrame(string $path, ?string $format = null): Command
    {
        return self::frames($path, $format, 'quiet', self::FIRST_FRAME, 1, '-select_streams', 'V:0');
    }

    /**
     * A line for every packet (Packet::ofLine()), without decoding any.
     *
     * @param  int|null  $most  how many, from the start; all of them when null
     * @param  bool  $pictureOnly  leaves out the packets of all but the picture
     */
    public static function packets(string $path, ?int $most = null, bool $pictureOnly = false): Command
    {
        return Command::ask(Program::Prober, [
            '-v', 'error', '-show_entries', 'packet='.Packet::FIELDS, ...($pictureOnly ? ['-select_streams', 'V:0'] : []),
            ...($most === null ? [] : ['-read_intervals', "%+#{$most}"]), '-of', 'csv=p=0', ...Input::of($path),
        ], Allowance::Run);
    }

    private static function frames(string $path, ?string $format, string $log, string $entries, int $packets, string ...$options): Command
    {
        return Command::ask(Program::Prober, [
            '-v', $log, '-show_data', '-show_entries', $entries, '-read_intervals', "%+#{$packets}", ...array_values($options),
            '-of', 'json=compact=1', ...Input::of($path, self::format($format)),
        ]);
    }

    /** @return list<string> */
    private static function format(?string $format): array
    {
        return $format === null ? [] : ['-f', $format];
    }
}
