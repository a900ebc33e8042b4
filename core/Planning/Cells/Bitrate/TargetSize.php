<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use InvalidArgumentException;
use OuterCrate\Formats\Containers\Payload;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\LineSpeed;

/** A size that the file is not to pass, given in bytes or as a time to send it in; turned into the average that leads to it. */
final readonly class TargetSize
{
    /** Where two passes and a constant rate aim: the middle of the three hundredths that they are to come under the size. */
    private const MARGIN = 0.985;

    /** In one pass it goes astray further, most of all in a short range. */
    private const MARGIN_OF_ONE_PASS = 0.92;

    private function __construct(public int $bytes)
    {
    }

    /**
     * @param  Fields  $rule  `bytes`, or `sendSeconds` with the line's `lineKbps`
     *
     * @throws InvalidArgumentException when the size is none
     */
    public static function of(Fields $rule): ?self
    {
        $bytes = $rule->int('bytes');
        if ($rule->has('sendSeconds')) {
            $bytes = (int) LineSpeed::said(max(1, (int) (1000 * ($rule->float('lineKbps') ?? 0))))->sentIn(
                $rule->float('sendSeconds') ?? 0,
            );
        }

        return match (true) {
            $bytes === null => null,
            $bytes < 1_000 => throw new InvalidArgumentException('A file needs at least 1 kB. Allow more bytes, or more time to send it.'),
            default => new self($bytes),
        };
    }

    /**
     * @param  bool  $steady  the rate is held, by two passes or by its mode
     *
     * @throws InvalidArgumentException when the size leaves no room for a picture
     */
    public function average(Draft $draft, bool $steady): Bitrate
    {
        $seconds = $draft->duration->toFloat();
        $frames = max(1, $draft->frameRate()->rate->framesIn($draft->duration));
        $sound = $draft->audio();
        $packets = $sound->codec === null ? 0 : (int) ceil(($seconds * $sound->sampleRate) / 1024);
        $beside =
            ($sound->bitsPerSecond() / 8) * $seconds +
            $draft
                ->container()
                ->container->overhead(new Payload($frames, $packets, $draft->keyframes()->isIntra(), $this->bytes, $seconds));
        $bits = (($this->bytes * ($steady ? self::MARGIN : self::MARGIN_OF_ONE_PASS) - $beside) * 8) / $seconds;
        if ($bits < 16_000) {
            throw new InvalidArgumentException(
                'Under '.
                    new ByteCount($this->bytes).
                    ' there is no room for a picture: sound and container alone take '.
                    new ByteCount((int) $beside).
                    '. Allow more, lower the sound, or shorten the range.',
            );
        }

        return new Bitrate(intdiv((int) $bits, 1000) * 1000);
    }
}
