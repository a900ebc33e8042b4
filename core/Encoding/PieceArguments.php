<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Encoding\Passes\Pass;

/** What a pass over pieces is told beside what one over the whole is. */
final class PieceArguments
{
    /**
     * Quantiser of a keyframe beside that of what follows it, where pieces begin as any file does: 1/1.2 for the encoder's own 1/1.4.
     * A piece lies all in the light of its keyframe, the whole for the most part behind it. Measured with H.264: of five files the
     * furthest score went from 0.38 to 0.28 dB, the four others from 0.02 to 0.09; by the sum of squares that is nearer.
     */
    private const KEYFRAME = 0.8333;

    /**
     * @param  list<float>  $starts  seconds at which pieces begin, each with a keyframe
     * @param  float|null  $left  of a decoder's buffer, what is full where the first one begins, 0 to 1; null where it begins as any
     *     file does: no peak binds, or what is busy is so for a moment only
     * @param  bool  $areParts  whether each is a part of what lies between two keyframes of the whole
     */
    public static function of(Pass $pass, array $starts, ?float $left, bool $areParts): Pass
    {
        $arguments = $pass->arguments;
        // A pass that only gathers is to find of the picture what it finds of the whole, where each scene begins with a full buffer.
        if ($pass->writes) {
            $goesByRate = in_array('libx264', $arguments, true) && in_array('-b:v', $arguments, true);
            $arguments = $left === null && $areParts && $goesByRate
                ? [...$arguments, '-i_qfactor', (string) self::KEYFRAME]
                : BufferLevel::told($arguments, $left);
        }
        $times = array_map(static fn (float $seconds): string => sprintf('%.6F', $seconds), $starts);

        return $pass->with([...$arguments, '-force_key_frames', implode(',', $times)]);
    }
}
