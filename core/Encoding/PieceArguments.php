<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** What a pass over pieces is told beside what one over the whole is. */
final class PieceArguments
{
    /**
     * Quantiser of a keyframe beside that of what follows it, where no peak binds: 1/1.2 in place of the encoder's own 1/1.4. A piece lies
     * all in the light of its keyframe, the whole for the most part behind it. Measured with H.264: of five files the furthest score
     * went from 0.38 to 0.28 dB, the four others from 0.02 to 0.09; by the sum of squares that is nearer.
     */
    private const KEYFRAME = 0.8333;

    /**
     * One thread for an encoder of H.264: with several, what keeps to a peak comes to another file each time (3 % of its bytes, a tenth of
     * a dB), and candidates change places by chance. Cores have candidates of their own to encode, and take a tenth less for it.
     */
    private const ALWAYS_THE_SAME = ['-threads', '1'];

    /**
     * @param  list<float>  $starts  seconds at which pieces begin, each with a keyframe
     * @param  float|null  $left  of a decoder's buffer, what is full where the first one begins, 0 to 1; null where no peak binds
     * @param  bool  $areShort  whether in the whole there would be no second keyframe in any of them
     */
    public static function of(Pass $pass, array $starts, ?float $left, bool $areShort): Pass
    {
        $isH264 = in_array('libx264', $pass->arguments, true);
        $arguments = [...$pass->arguments, ...$isH264 ? self::ALWAYS_THE_SAME : []];
        // A pass that only gathers is to find of the picture what it finds of the whole, where each scene begins with a full buffer.
        if ($pass->writes) {
            $arguments = $isH264 && in_array('-b:v', $arguments, true) && $left === null && $areShort
                ? [...$arguments, '-i_qfactor', (string) self::KEYFRAME]
                : BufferLevel::told($arguments, $left);
        }
        $times = array_map(static fn (float $seconds): string => sprintf('%.6F', $seconds), $starts);

        return $pass->with([...$arguments, '-force_key_frames', implode(',', $times)]);
    }
}
