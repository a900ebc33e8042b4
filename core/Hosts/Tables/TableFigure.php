<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** A rate that was understood in a pasted table. */
final readonly class TableFigure
{
    /**
     * @param  int  $line  of the text, counted from 1
     * @param  string  $text  of its cell
     * @param  int  $shorterSide  of the frames that it is for, in pixels
     * @param  bool|null  $forHigh  for high frame rates; null for any
     * @param  bool|null  $forHdr  null for any dynamic range
     * @param  int|null  $low  bits per second; null where only the upper end is said
     * @param  int|null  $high  bits per second; null where only the lower end is said; the same as the lower for one figure
     * @param  bool  $guessed  the unit was not said, and is a guess from the size of the figure
     */
    public function __construct(
        public int $line,
        public string $text,
        public int $shorterSide,
        public ?bool $forHigh,
        public ?bool $forHdr,
        public ?int $low,
        public ?int $high,
        public bool $guessed,
    ) {
    }

    public function isForSameAs(self $other): bool
    {
        return [$this->shorterSide, $this->forHigh, $this->forHdr] === [$other->shorterSide, $other->forHigh, $other->forHdr];
    }

    /** One range of a figure for its lower and one for its upper end. */
    public function upTo(self $other): self
    {
        return new self(
            $this->line,
            "{$this->text} – {$other->text}",
            $this->shorterSide,
            $this->forHigh,
            $this->forHdr,
            $this->low,
            $other->high,
            $this->guessed || $other->guessed,
        );
    }
}
