<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Reading\VideoReading;

/** Pictures and sound of a file as they are decoded, without anything that decides on times: what other eyes see of it. */
final class DecodeCommand
{
    /** Size of the little grey pictures, in pixels. */
    public const WIDTH = 32;

    public const HEIGHT = 18;

    /** Filters that make them. */
    public const LITTLE = 'scale=w='.self::WIDTH.':h='.self::HEIGHT.':flags=area,format=gray';

    /** Samples of sound per second. */
    public const SAMPLES = 8_000;

    /** Seconds of sound after the first picture that are held against each other. */
    public const SECONDS = 4.3;

    /** Seconds before the end of the picture from which it is decoded to its last frame. */
    private const TAIL = 1.0;

    /**
     * Pixels of a frame up to which more of them are decoded at once than the decoder would choose for itself: UHD. Each of larger ones
     * takes a hundred megabytes.
     */
    private const LARGEST_AT_ONCE = 3_840 * 2_160;

    /** Frames that are decoded at once at most. */
    private const MOST_AT_ONCE = 16;

    /** Files that ends() and whole() leave in the working folder. */
    public const FIRST = 'first-picture';

    public const LAST = 'last-pictures';

    public const SOUND = 'first-sound';

    public const ALL = 'all-pictures';

    /** Every frame of a file, from its start on, as a little grey picture of a byte a pixel, one after the other, on standard output. */
    public static function pictures(string $path, int $stream): Command
    {
        return Command::ask(Program::Encoder, [
            '-v', 'error', '-nostdin', ...Input::of($path), '-map', "0:{$stream}", '-vf', self::LITTLE, '-fps_mode', 'passthrough',
            '-f', 'rawvideo', '-',
        ], Allowance::Run);
    }

    /** Sound in one channel, as 16-bit samples, from the start of the file until some seconds after the first picture. */
    public static function sound(string $path, int $stream, float $pictureStarts): Command
    {
        return Command::ask(Program::Encoder, [
            '-v', 'error', '-nostdin', ...Input::of($path), ...self::heard($stream, $pictureStarts), '-',
        ], Allowance::Run);
    }

    /**
     * The first and the last pictures of a finished file, and its first sound, each in a file of the working folder.
     *
     * @param  VideoReading  $picture  of the file
     * @param  string|null  $crop  filter that leaves the picture in the frame; null where it fills it
     * @param  int|null  $sound  index of a stream; null for none
     */
    public static function ends(string $path, VideoReading $picture, ?string $crop, ?int $sound): Command
    {
        $starts = $picture->starts->toFloat();
        $tail = $starts + $picture->frameRate->secondsOf($picture->length)->toFloat() - self::TAIL;

        return Command::encode(Allowance::Run, [
            ...Input::of($path), ...Input::of($path, $tail > 0 ? ['-ss', sprintf('%.6F', $tail)] : []),
            ...self::little("0:{$picture->index}", $crop), '-frames:v', '1', self::FIRST,
            ...self::little("1:{$picture->index}", $crop), self::LAST,
            ...$sound === null ? [] : [...self::heard($sound, $starts), self::SOUND],
        ]);
    }

    /**
     * The whole of a finished file: every picture in a file of the working folder, its first sound in another, and the rest of its sound
     * decoded for faults.
     *
     * @param  string|null  $crop  filter that leaves the picture in the frame; null where it fills it
     * @param  int|null  $sound  index of a stream; null for none
     * @param  int  $cores  that it may use
     * @param  int|null  $metered  channels of the first track, where it is measured how loud it is (ListenCommand); null where it is not
     */
    public static function whole(string $path, VideoReading $picture, ?string $crop, ?int $sound, int $cores, ?int $metered): Command
    {
        return Command::encode(Allowance::Run, [
            // Whatever cannot be decoded, the rest is.
            '-max_error_rate', '1',
            ...self::atOnce($picture, $cores),
            // What no other frame is made of need not be smoothed to be looked at from afar, and nothing in that can fail.
            '-skip_loop_filter', 'noref',
            ...Input::of($path),
            ...self::little("0:{$picture->index}", $crop), self::ALL,
            ...$sound === null ? [] : [...self::heard($sound, $picture->starts->toFloat()), self::SOUND],
            ...$metered === null ? [] : ListenCommand::metered($metered),
            '-map', '0:a?', '-f', 'null', '-',
        ]);
    }

    /** @return list<string> options of an input: frames wait for parts of others, so that one for each core leaves cores idle */
    private static function atOnce(VideoReading $picture, int $cores): array
    {
        return $picture->size->pixels() > self::LARGEST_AT_ONCE ? [] : ['-threads', (string) min(self::MOST_AT_ONCE, 2 * $cores + 4)];
    }

    /** The same of a folder of images. */
    public static function endsOfImages(string $first, string $last, ?string $demuxer, ?string $crop): Command
    {
        $as = $demuxer === null ? [] : ['-f', $demuxer];

        return Command::encode(Allowance::Run, [
            ...Input::of($first, $as), ...Input::of($last, $as),
            ...self::little('0:0', $crop), '-frames:v', '1', self::FIRST,
            ...self::little('1:0', $crop), '-frames:v', '1', self::LAST,
        ]);
    }

    /**
     * Sound in one channel, as 16-bit samples, until some seconds after the first picture.
     *
     * @return list<string> options of an output
     */
    public static function heard(int $stream, float $pictureStarts): array
    {
        return [
            '-map', "0:{$stream}", '-af', 'aresample=async=1:first_pts=0', '-ac', '1', '-ar', (string) self::SAMPLES,
            '-t', sprintf('%.3F', max(0.0, $pictureStarts) + self::SECONDS), '-f', 's16le',
        ];
    }

    /** @return list<string> options of an output */
    private static function little(string $map, ?string $crop): array
    {
        // One after the other is all that counts here: times that a container rounds would have the engine complain of its own writer.
        $filters = ($crop === null ? '' : "{$crop},").self::LITTLE.',setpts=N/TB';

        return ['-map', $map, '-vf', $filters, '-fps_mode', 'passthrough', '-f', 'rawvideo'];
    }
}
