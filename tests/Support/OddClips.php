<?php

namespace Tests\Support;

use Symfony\Component\Process\Process;

/**
 * Clips as cameras, phones and old programs write them: without times, with wrong ones, with frames that are held or hidden. Frame n
 * shows n in binary, in eight bars.
 */
final class OddClips
{
    private const BARS = Bars::BLANK.':r=%s:d=%s,'.Bars::DRAWN.',format=yuv420p';

    /** A tone from the end of the first second on. */
    private const TONE = 'aevalsrc=exprs=if(gte(t\\,1)\\,0.5*sin(2*PI*1000*t)\\,0):s=48000:d=%s';

    /**
     * Rate and seconds of the bars, whether there is sound, and the engine's arguments; the ending of the name first.
     *
     * @var array<string, array{string, string, string, bool, list<string>}>
     */
    private const KINDS = [
        'avi-h264' => ['avi', '25', '4', true, ['-c:v', 'libx264', '-bf', '3', '-g', '25', '-c:a', 'pcm_s16le']],
        'avi-mpeg4' => ['avi', '25', '4', true, ['-c:v', 'mpeg4', '-q:v', '3', '-bf', '2', '-g', '25', '-c:a', 'libmp3lame']],
        'stream-h264' => ['h264', '25', '3', false, ['-c:v', 'libx264', '-bf', '3', '-g', '25']],
        'stream-hevc' => [
            'hevc', '25', '3', false, ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none:bframes=3:keyint=25'],
        ],
        'stream-mpeg2' => ['m2v', '25', '3', false, ['-c:v', 'mpeg2video', '-q:v', '3', '-bf', '2', '-g', '12']],
        'late' => ['mkv', '25', '4', true, ['-c:v', 'libx264', '-bf', '0', '-c:a', 'pcm_s16le', '-bsf:v', 'setts=ts=TS+21']],
        'shared-clock' => ['mkv', '25', '4', false, ['-c:v', 'libx264', '-bf', '0', '-bsf:v', 'setts=ts=floor(N/3)*120']],
        'first-held' => [
            'mp4', '30', '1.3666', false,
            [
                '-vf', 'settb=1/90000,setpts=if(eq(N\\,0)\\,0\\,0.185+(N-1)/30.01)/TB', '-fps_mode', 'passthrough', '-enc_time_base',
                '1/90000', '-video_track_timescale', '90000', '-c:v', 'libx264', '-bf', '0',
            ],
        ],
        'rate-8' => ['mp4', '8', '4', false, ['-c:v', 'libx264', '-bf', '2']],
        'rate-12.048' => [
            'mkv', '12', '4', false,
            [
                '-vf', 'settb=1/1000,setpts=N*83', '-fps_mode', 'passthrough', '-enc_time_base', '1/1000', '-c:v', 'libx264', '-bf', '2',
            ],
        ],
        'rate-23.976' => ['mkv', '24000/1001', '3', false, ['-c:v', 'libx264', '-bf', '2']],
        'rate-18' => ['mov', '18', '3', true, ['-c:v', 'libx264', '-bf', '2', '-c:a', 'aac']],
        'short-mov' => ['mov', '30000/1001', '2.0687', true, ['-c:v', 'libx264', '-bf', '3', '-c:a', 'aac']],
    ];

    /**
     * What only copying makes: rate of four seconds of bars, arguments of the encoder, and what comes before and after the file that is
     * copied.
     *
     * @var array<string, array{string, list<string>, list<string>, list<string>}>
     */
    private const COPIED = [
        // Begins in the middle of a GOP: an edit list hides the frames before (ISO/IEC 14496-12, 8.6.6).
        'hidden' => ['25', ['-bf', '2', '-g', '100'], ['-ss', '1'], []],
        'last-held' => ['24', ['-bf', '0'], [], ['-bsf:v', 'setts=pts=PTS:dts=DTS:duration=if(eq(N\\,95)\\,6144\\,512)']],
    ];

    public static function make(string $kind): string
    {
        if (isset(self::COPIED[$kind])) {
            return self::copied($kind);
        }
        [$ending, $rate, $seconds, $hasSound, $arguments] = self::KINDS[$kind];
        $path = self::path($kind, $ending);
        is_file($path) || Clips::run(
            [
                '-f', 'lavfi', '-i', sprintf(self::BARS, $rate, $seconds),
                ...$hasSound ? ['-f', 'lavfi', '-i', sprintf(self::TONE, $seconds)] : [],
                '-color_range', 'tv', ...$arguments,
            ],
            $path,
        );

        return $path;
    }

    /** A file of 100 frames, each decoded by itself, of which all after the first few are there and hold nothing. */
    public static function emptied(int $kept): string
    {
        $path = self::path('each-by-itself', 'mp4');
        $bars = ['-f', 'lavfi', '-i', sprintf(self::BARS, '25', '4')];
        is_file($path) || Clips::run([...$bars, '-c:v', 'libx264', '-g', '1', '-color_range', 'tv'], $path);
        $asked = ['-select_streams', 'v', '-show_entries', 'packet=pos,size', '-of', 'csv=p=0', $path];
        $packets = explode("\n", trim((new Process(['ffprobe', '-v', 'error', ...$asked]))->mustRun()->getOutput()));
        $file = file_get_contents($path);
        foreach (array_slice($packets, $kept) as $packet) {
            [$bytes, $at] = array_map(intval(...), explode(',', $packet));
            $file = substr_replace($file, str_repeat("\0", $bytes), $at, $bytes);
        }

        return $file;
    }

    private static function copied(string $kind): string
    {
        [$rate, $encoder, $before, $after] = self::COPIED[$kind];
        $path = self::path($kind, 'mp4');
        $whole = Clips::folder()."/odd-whole-{$kind}.mp4";
        if (! is_file($path)) {
            $bars = ['-f', 'lavfi', '-i', sprintf(self::BARS, $rate, '4')];
            Clips::run([...$bars, '-c:v', 'libx264', ...$encoder, '-color_range', 'tv'], $whole);
            Clips::run([...$before, '-i', $whole, '-c', 'copy', ...$after], $path);
        }

        return $path;
    }

    private static function path(string $kind, string $ending): string
    {
        $folder = Clips::folder().'/odd-'.md5_file(__FILE__);
        is_dir($folder) || mkdir($folder, 0o777, true);

        return "{$folder}/{$kind}.{$ending}";
    }
}
