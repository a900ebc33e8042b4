<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Measures\Banding;
use OuterCrate\Measures\Bands;
use OuterCrate\Measures\DetailKept;
use OuterCrate\Measures\GrainKept;
use OuterCrate\Measures\Picture;
use OuterCrate\Measures\Tone;

/** What a few windows of a few frames say of a file beside its reference. */
final class CloseUp
{
    private readonly DetailKept $detail;

    private readonly DetailKept $shadows;

    private readonly GrainKept $grain;

    private readonly Tone $tone;

    private float $banding = 0.0;

    private int $windows = 0;

    /** @param  int  $lines  of the whole picture */
    public function __construct(private readonly int $lines)
    {
        $this->detail = new DetailKept;
        $this->shadows = new DetailKept(shadowsOnly: true);
        $this->grain = new GrainKept;
        $this->tone = new Tone;
    }

    /** A window of two frames in a row of the reference, with what is known of it, and the same of the file. */
    public function add(ReferenceWindow $reference, Picture $first, Picture $second): void
    {
        $bands = Bands::of($first->luma);
        $this->detail->add($reference->bands, $bands);
        $this->shadows->add($reference->bands, $bands);
        $this->grain->add($reference->grain, $first->luma, $second->luma);
        $this->tone->add($reference->bands, $bands);
        $this->tone->addChroma($reference->first, $first);
        $this->banding += max(0.0, Banding::of($first->luma, $this->lines) - $reference->banding);
        $this->windows++;
    }

    /** @return array<string, mixed> as resources/schema/transit.json has it */
    public function toArray(): array
    {
        $round = static fn (?float $value): ?float => $value === null ? null : round($value, 4);

        return [
            'detailKept' => array_map($round, $this->detail->kept()),
            'detailAdded' => array_map($round, $this->detail->added()),
            'shadowKept' => $round($this->shadows->overall()),
            'grainKept' => $round($this->grain->kept()),
            'bandingAdded' => round($this->banding / max(1, $this->windows), 4),
            'toneShift' => round($this->tone->shift(), 4),
            'tone' => $this->tone->change()->value,
            'tint' => array_map(static fn (float $codes): float => round($codes, 2), $this->tone->tint()),
        ];
    }
}
