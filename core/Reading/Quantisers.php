<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Formats\Video\QualityScale;

/** How coarsely the frames of a file were coded, as its encoder told it frame by frame: what its rate control had to spend. */
final readonly class Quantisers
{
    /** Name of the file that an encoding pass writes it to, in its working folder. */
    public const FILE = 'quantisers';

    /**
     * Share of the scale from its best end on which more bits make nothing better. A test card that leaves 99 % of its average
     * unused comes to a mean of 1.5 in H.264, 4 in HEVC, 1.3 in VP9 and AV1 and 2.0 of MPEG-2's 2 to 31.
     */
    private const FINEST = 0.1;

    /**
     * @param  float  $mean  over all frames, on the codec's scale
     * @param  bool  $atFinest  the picture could use no more bits
     */
    public function __construct(public float $mean, public bool $atFinest)
    {
    }

    /**
     * @param  iterable<string>  $lines  as the engine writes them for each frame of each output: `out= 0 st= 0 frame= 7 q= 23.0 f_size= …`
     * @return self|null null where the encoder told nothing
     */
    public static function of(iterable $lines, QualityScale $scale): ?self
    {
        $sum = 0.0;
        $count = 0;
        foreach ($lines as $line) {
            if (preg_match('~^out= *0 .* q= *(-?[\d.]+) ~', $line, $match) === 1) {
                // Frames that the encoder has nothing to tell of have −1; they take no bits.
                $sum += max((float) $scale->best, (float) $match[1]);
                $count++;
            }
        }
        if ($count === 0) {
            return null;
        }
        $mean = $sum / $count;

        return new self(round($mean, 1), $mean <= $scale->best + self::FINEST * ($scale->worst - $scale->best));
    }
}
