<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

/** What a Matroska file says of its one picture (RFC 9559, 5.1.4.1). */
final readonly class PictureTrack
{
    private const TRACK = 0xAE;

    private const NUMBER = 0xD7;

    private const TYPE = 0x83;

    private const CODEC = 0x86;

    private const DEFAULT_DURATION = 0x23E383;

    /** Content that is compressed or encrypted, whose bytes are not those of the media. */
    private const ENCODINGS = 0x6D80;

    /** 5.1.4.1.3 */
    private const VIDEO = 1;

    /** Blocks hold these without their eight bytes of header, which the prober counts. */
    private const WITHOUT_HEADER = 'V_PRORES';

    /**
     * @param  int  $number  that its blocks name
     * @param  int|null  $lasts  nanoseconds of a frame whose block does not say; null where nothing does
     */
    private function __construct(public int $number, public ?int $lasts)
    {
    }

    /** Null where there is none or more than one, or its blocks do not hold the bytes of the media. */
    public static function of(ElementReader $reader, Element $tracks): ?self
    {
        $pictures = [];
        foreach ($reader->children($tracks) as $track) {
            $told = [];
            foreach ($track->id === self::TRACK ? $reader->children($track) : [] as $element) {
                $told[$element->id] = $element->id === self::CODEC ? $reader->content($element, 64) : $reader->unsigned($element);
            }
            if (($told[self::TYPE] ?? null) === self::VIDEO) {
                $pictures[] = $told;
            }
        }
        $told = $pictures[0] ?? [];
        $number = (int) ($told[self::NUMBER] ?? 0);
        if (count($pictures) !== 1 || $number < 1 || isset($told[self::ENCODINGS]) || ($told[self::CODEC] ?? '') === self::WITHOUT_HEADER) {
            return null;
        }

        return new self($number, isset($told[self::DEFAULT_DURATION]) ? (int) $told[self::DEFAULT_DURATION] : null);
    }
}
