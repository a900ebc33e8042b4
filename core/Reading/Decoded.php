<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/** What came of decoding a finished file from its first frame to its last. */
final readonly class Decoded
{
    /**
     * @param  int  $frames  of its picture that were decoded
     * @param  string  $said  of faults, by the decoder; empty where it found none
     * @param  int  $looked  pictures that were held against the cut
     * @param  float|null  $least  structure that the one least alike shares with the cut, 1 where it is the same picture (Sameness);
     *     null where none of them has any structure
     * @param  int|null  $leastAt  number of its frame in the file
     */
    public function __construct(
        public int $frames,
        public string $said = '',
        public int $looked = 0,
        public ?float $least = null,
        public ?int $leastAt = null,
    ) {
    }

    private function label(): string
    {
        return 'to its end'.($this->said === '' ? '' : ', with faults').($this->looked === 0 ? '' : " · {$this->looked} compared");
    }

    /** @return array<string, mixed> as resources/schema/slip.json has it */
    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'frames' => $this->frames,
            'said' => $this->said,
            'looked' => $this->looked,
            'least' => $this->least === null ? null : round($this->least, 3),
            'leastAt' => $this->leastAt,
        ];
    }
}
