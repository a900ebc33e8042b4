<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Reading\Reading;

/**
 * Lays a file over the reel that it came from, frame by frame, both as they are shown at the reel's size: SSIM and PSNR of every frame
 * by the engine, VIF of a few, and those few as raw pictures. What it writes lies in the working folder.
 */
final class LikenessCommand
{
    public const SSIM = 'ssim';

    public const PSNR = 'psnr';

    public const VIF = 'vif';

    /** Chosen frames of the file: 4:2:0 in 10 bits, one after another. */
    public const PICTURES = 'pictures';

    /** Frames that VIF is measured on at most: the engine takes most of a second for one of 720 lines. */
    private const VIF_FRAMES = 3;

    /** Pixels of a side that VIF is measured on at least, where a picture has them: its fourth scale has an eighth of them. */
    private const VIF_SIDE = 64;

    /** Little grey pictures of all frames. */
    public const LITTLE_PICTURES = 'little';

    /**
     * @param  Reading  $reel  the reference
     * @param  Reading  $file  what is laid over it
     * @param  list<int>  $looked  frames that are looked at closely; none where SSIM is all that is asked
     * @param  int  $late  frames by which the file is behind the reel; below 0 it is before it
     *
     * @throws InvalidArgumentException when one of them has no picture
     */
    public static function of(Reading $reel, string $reelPath, Reading $file, string $path, array $looked, int $late = 0): Command
    {
        // Frames of the reel: a file that is before it shows them earlier.
        $chosen = self::chosen(array_map(static fn (int $frame): int => max(0, $frame + min(0, $late)), $looked));
        $sparse = self::chosen(self::sparse(count($looked)));
        $part = self::middle($reel);
        $reference = self::shown($reel, $reel, max(0, -$late));
        $shown = self::shown($file, $reel, max(0, $late));

        $chains = $looked === []
            ? [
                "[0:v:0]{$reference}[r1]",
                "[1:v:0]{$shown},split=2[t1][t4]",
            ]
            : [
                "[0:v:0]{$reference},split=3[r1][r2][r3]",
                "[1:v:0]{$shown},split=4[t1][t2][t3][t4]",
                '[t2][r2]psnr=stats_file='.self::PSNR.',nullsink',
                "[t3]select='{$chosen}',split=2[few][pictures]",
                "[r3]select='{$chosen}'[fewr]",
                "[few]select='{$sparse}',{$part}[v];[fewr]select='{$sparse}',{$part}[vr]",
                '[v][vr]vif,metadata=mode=print:file='.self::VIF.',nullsink',
            ];

        return Command::encode(Allowance::Run, [
            ...Input::of($reelPath),
            ...Input::of($path),
            '-filter_complex',
            implode(';', [
                ...$chains,
                // Not mapped to an output: beside one of few frames, all of those would be held in memory.
                '[t1][r1]ssim=stats_file='.self::SSIM.',nullsink',
                '[t4]'.DecodeCommand::LITTLE.'[little]',
            ]),
            ...$looked === [] ? [] : ['-map', '[pictures]', '-fps_mode', 'passthrough', '-f', 'rawvideo', self::PICTURES],
            ...['-map', '[little]', '-fps_mode', 'passthrough', '-f', 'rawvideo', self::LITTLE_PICTURES],
        ]);
    }

    /**
     * The reel by itself: what files are held against.
     *
     * @param  list<int>  $looked
     */
    public static function reference(Reading $reel, string $path, array $looked): Command
    {
        return Command::encode(Allowance::Run, [
            ...Input::of($path),
            '-filter_complex',
            '[0:v:0]'.self::shown($reel, $reel, 0).",split=2[a][b];[a]select='".self::chosen($looked)."'[pictures];"
                .'[b]'.DecodeCommand::LITTLE.'[little]',
            ...['-map', '[pictures]', '-fps_mode', 'passthrough', '-f', 'rawvideo', self::PICTURES],
            ...['-map', '[little]', '-fps_mode', 'passthrough', '-f', 'rawvideo', self::LITTLE_PICTURES],
        ]);
    }

    /**
     * Some of the frames that are looked at closely, by their places among them.
     *
     * @return list<int>
     */
    private static function sparse(int $count): array
    {
        $most = min(self::VIF_FRAMES, $count);

        return array_map(static fn (int $i): int => intdiv($i * $count, max(1, $most)), $most === 0 ? [] : range(0, $most - 1));
    }

    /**
     * The quarter in the middle of a frame, for VIF. Six uploads stood in the same order by it as by all of two frames, and within 0.03 of
     * that.
     */
    private static function middle(Reading $reel): string
    {
        $size = $reel->mainVideo()?->displaySize() ?? throw new InvalidArgumentException('There is no picture to measure.');
        $side = static fn (int $pixels): int => max(min(self::VIF_SIDE, $pixels), 2 * intdiv($pixels, 4));

        return "crop=w={$side($size->width)}:h={$side($size->height)}";
    }

    /** @param  list<int>  $looked */
    private static function chosen(array $looked): string
    {
        return implode('+', array_map(static fn (int $frame): string => "eq(n,{$frame})", $looked));
    }

    /** A picture as it is shown at the reel's size and rate, from the frame on that it begins with. */
    private static function shown(Reading $file, Reading $reel, int $from): string
    {
        $video = $file->mainVideo() ?? throw new InvalidArgumentException('There is no picture to measure.');
        $own = $reel->mainVideo() ?? throw new InvalidArgumentException('There is no picture to measure.');
        $viewing = new Viewing($video);

        return implode(',', [
            ...$viewing->progressive(),
            'setpts=PTS-STARTPTS',
            "fps=fps={$own->frameRate}",
            ...$from === 0 ? [] : ["trim=start_frame={$from}", 'setpts=PTS-STARTPTS'],
            ...$viewing->asMeasured($own->displaySize(), (new Viewing($own))->measuringMatrix()),
        ]);
    }
}
