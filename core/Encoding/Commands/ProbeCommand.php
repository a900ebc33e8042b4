<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** What the prober is asked about a file. */
final class ProbeCommand
{
    /** Packets whose times are read with the file, which tell of its frame rate and structure. */
    private const PACKETS = 400;

    private const ENTRIES = 'stream:stream_tags:stream_disposition:stream_side_data:format:format_tags:chapter:chapter_tags:'
        .'packet=stream_index,pts_time,flags';

    private const FIRST_FRAME = 'stream=index,extradata:frame=stream_index,interlaced_frame,top_field_first:frame_side_data';

    /**
     * Streams, format, chapters and first packets, as JSON.
     *
     * @param  string|null  $format  the demuxer to take, for a single image; found out when null
     */
    public static function file(string $path, ?string $format = null): Command
    {
        return Command::ask(Program::Prober, [
            '-v', 'error', '-show_entries', self::ENTRIES, '-read_intervals', '%+#'.self::PACKETS, '-of', 'json=compact=1',
            ...Input::of($path, self::format($format)),
        ]);
    }

    /**
     * What the decoder says of the first frame: fields, the metadata that travels in the stream, and its configuration. Asked by
     * itself, since the prober writes every packet out in hexadecimal when it is to show this data.
     */
    public static function firstFrame(string $path, ?string $format = null): Command
    {
        return Command::ask(Program::Prober, [
            '-v', 'quiet', '-select_streams', 'V:0', '-show_data', '-show_entries', self::FIRST_FRAME, '-read_intervals', '%+#1',
            '-of', 'json=compact=1', ...Input::of($path, self::format($format)),
        ]);
    }

    /** A line `stream,pts,dts,size,flags` for every packet, without decoding any. */
    public static function packets(string $path): Command
    {
        return Command::ask(Program::Prober, [
            '-v', 'error', '-show_entries', 'packet=stream_index,pts_time,dts_time,size,flags', '-of', 'csv=p=0', ...Input::of($path),
        ], Allowance::Run);
    }

    /** @return list<string> */
    private static function format(?string $format): array
    {
        return $format === null ? [] : ['-f', $format];
    }
}
