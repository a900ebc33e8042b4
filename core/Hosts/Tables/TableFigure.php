<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

use OuterCrate\Units\Bitrate;

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

    /** @return array<string, mixed> as resources/schema/table-answer.json has it */
    public function toArray(): array
    {
        return [
            'line' => $this->line,
            'text' => $this->text,
            'shorterSide' => $this->shorterSide,
            'forHigh' => $this->forHigh,
            'forHdr' => $this->forHdr,
            'low' => $this->low,
            'high' => $this->high,
            'guessed' => $this->guessed,
            'label' => $this->words(),
        ];
    }

    /** 2160p, high rates, HDR: 53 Mb/s to 68 Mb/s. */
    public function words(): string
    {
        $for = array_filter([
            "{$this->shorterSide}p",
            $this->forHigh === null ? '' : ($this->forHigh ? 'high rates' : 'usual rates'),
            $this->forHdr === null ? '' : ($this->forHdr ? 'HDR' : 'SDR'),
        ]);

        return implode(', ', $for).': '.$this->rate();
    }

    /** 53 Mb/s to 68 Mb/s; at most 8 Mb/s. */
    public function rate(): string
    {
        $of = static fn (int $bits): string => $bits < 1 ? '0' : (string) new Bitrate($bits);

        return match (true) {
            $this->low === null => 'at most '.$of($this->high ?? 0),
            $this->high === null => 'at least '.$of($this->low),
            $this->low === $this->high => $of($this->low),
            default => $of($this->low).' to '.$of($this->high),
        };
    }
}
