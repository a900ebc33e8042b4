<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/**
 * Width and height of a picture in pixels, each from 1 to 32768.
 */
final readonly class FrameSize
{
    /** @throws InvalidArgumentException when a side is out of range */
    public function __construct(public int $width, public int $height)
    {
        if ($width < 1 || $height < 1 || $width > 32768 || $height > 32768) {
            throw new InvalidArgumentException("A frame is 1 to 32768 pixels wide and high, not {$width}×{$height}.");
        }
    }

    /** @throws InvalidArgumentException when the text is not like `1920×1080` or `1920x1080` */
    public static function parse(string $text): self
    {
        if (preg_match('~^(\d{1,6})[x×](\d{1,6})$~u', $text, $m) !== 1) {
            throw new InvalidArgumentException("“{$text}” is not a frame size such as 1920×1080.");
        }

        return new self((int) $m[1], (int) $m[2]);
    }

    public function pixels(): int
    {
        return $this->width * $this->height;
    }

    /** Blocks of 16×16 luma samples that cover the picture (ISO/IEC 14496-10, 7.4.2.1.1). */
    public function macroblocks(): int
    {
        return intdiv($this->width + 15, 16) * intdiv($this->height + 15, 16);
    }

    public function shorterSide(): int
    {
        return min($this->width, $this->height);
    }

    public function isUpright(): bool
    {
        return $this->height > $this->width;
    }

    public function aspect(): Fraction
    {
        return new Fraction($this->width, $this->height);
    }

    /** The largest size of this shape that lies inside the bounds, with even sides; never larger than this size. */
    public function fitInside(self $bounds): self
    {
        if ($this->width <= $bounds->width && $this->height <= $bounds->height) {
            return $this->even();
        }
        $width = (new Fraction($bounds->height))->times($this->aspect());
        if ($width->compare($bounds->width) <= 0) {
            return new self(self::evenNear($width), self::evenDown($bounds->height));
        }

        return new self(self::evenDown($bounds->width), self::evenNear((new Fraction($bounds->width))->over($this->aspect())));
    }

    /** This shape with the given height (or width, when it is upright), with even sides. */
    public function withShorterSide(int $side): self
    {
        return $this->isUpright()
            ? new self(self::evenDown($side), self::evenNear((new Fraction($side))->over($this->aspect())))
            : new self(self::evenNear((new Fraction($side))->times($this->aspect())), self::evenDown($side));
    }

    /** Both sides rounded down to even, as 4:2:0 sampling needs. */
    public function even(): self
    {
        return new self(self::evenDown($this->width), self::evenDown($this->height));
    }

    public function equals(self $other): bool
    {
        return $this->width === $other->width && $this->height === $other->height;
    }

    public function __toString(): string
    {
        return "{$this->width}×{$this->height}";
    }

    private static function evenDown(int $side): int
    {
        return max(2, $side - $side % 2);
    }

    private static function evenNear(Fraction $side): int
    {
        return max(2, 2 * $side->over(2)->round());
    }
}
