<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** What became of the preset and the host of an output since it took them. */
final readonly class Changed
{
    /**
     * @param  int|null  $newerPreset  version of the preset that is there now; null where the output has it
     * @param  bool  $presetAway  it was taken away, and the output keeps its rules
     * @param  int|null  $newerHost  version of the host that it is planned with; null where it was planned with it before
     * @param  list<string>  $differences  what the host's change changed in the output: `Bitrate 16.2 → 18 Mb/s`
     */
    public function __construct(
        public ?int $newerPreset = null,
        public bool $presetAway = false,
        public ?int $newerHost = null,
        public array $differences = [],
    ) {
    }
}
