<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/** The colour spaces that pictures are delivered in, each with its tags (ITU-T H.273). */
enum ColourSpace: string
{
    case Bt709 = 'bt709';
    case Bt601Lines525 = 'bt601-525';
    case Bt601Lines625 = 'bt601-625';
    case Bt2020 = 'bt2020';
    case Bt2020Pq = 'bt2020-pq';
    case Bt2020Hlg = 'bt2020-hlg';

    /** The space that some tags name, whatever their range; null where they name none of these. */
    public static function of(Colour $colour): ?self
    {
        foreach (self::cases() as $space) {
            if ($space->colour($colour->fullRange)->equals($colour)) {
                return $space;
            }
        }

        return null;
    }

    public function label(): string
    {
        return $this->colour()->label();
    }

    public function colour(bool $fullRange = false): Colour
    {
        return match ($this) {
            self::Bt709 => new Colour('bt709', 'bt709', 'bt709', $fullRange),
            self::Bt601Lines525 => new Colour('smpte170m', 'smpte170m', 'smpte170m', $fullRange),
            self::Bt601Lines625 => new Colour('bt470bg', 'smpte170m', 'bt470bg', $fullRange),
            self::Bt2020 => new Colour('bt2020', 'bt2020-10', 'bt2020nc', $fullRange),
            self::Bt2020Pq => new Colour('bt2020', 'smpte2084', 'bt2020nc', $fullRange),
            self::Bt2020Hlg => new Colour('bt2020', 'arib-std-b67', 'bt2020nc', $fullRange),
        };
    }

    /** What players take an untagged picture for: BT.601 up to 576 lines, BT.709 above. */
    public static function assumedFor(int $shorterSide, int $height): self
    {
        return match (true) {
            $shorterSide > 576 => self::Bt709,
            $height === 576 => self::Bt601Lines625,
            default => self::Bt601Lines525,
        };
    }
}
