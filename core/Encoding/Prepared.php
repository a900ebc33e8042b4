<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Encoding\Commands\Input;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/**
 * Pictures as they come to an encoder, kept as they are by the pass that gathers: decoded, scaled and converted once, however many passes
 * over the same frames come after it.
 */
final class Prepared
{
    /** In the working folder. */
    public const FILE = 'prepared.nut';

    /** Bytes of them up to which they are kept: what a machine holds in its memory beside the pieces themselves. */
    private const MOST = 512_000_000;

    private const PICTURE = '[picture]';

    /** Whether pictures of a file are to be kept as they come to the encoder of a plan: few enough, and not what lies in the file. */
    public static function suits(Plan $plan, Reading $reading): bool
    {
        $video = $reading->mainVideo();
        $format = $plan->colour->pixelFormat;
        $lies = $video?->codecName === 'rawvideo' && $video->pixelFormatName === $format->engineName()
            && $video->size->equals($plan->frameSize->frame);

        return ! $lies && $reading->length() * $plan->frameSize->frame->pixels() * $format->bytesPerPixel() <= self::MOST;
    }

    /** A pass over a file that keeps them beside what it gathers. */
    public static function kept(Pass $gathering): Pass
    {
        [$arguments, $filters] = [$gathering->arguments, self::filters($gathering)];
        $arguments[$filters] = str_replace(self::PICTURE, '[coming]', $arguments[$filters]).';[coming]split'.self::PICTURE.'[kept]';

        return $gathering->with(array_values($arguments), [
            ...$gathering->beside,
            '-map',
            '[kept]',
            '-fps_mode',
            'passthrough',
            '-c:v',
            'rawvideo',
            '-f',
            'nut',
            'file:'.self::FILE,
        ]);
    }

    /**
     * A later pass with the picture of what was kept in place of its file's.
     *
     * @param  string  $path  of what was kept
     */
    public static function over(string $path, Pass $pass): Pass
    {
        $arguments = $pass->arguments;
        // What no filter takes of the first input is not decoded.
        $arguments[self::filters($pass)] = '[1:0]null'.self::PICTURE;

        return $pass->with([...Input::of($path), ...$arguments]);
    }

    /** Place of its filters among the arguments of a pass. */
    private static function filters(Pass $pass): int
    {
        return (int) array_search('-filter_complex', $pass->arguments, true) + 1;
    }
}
