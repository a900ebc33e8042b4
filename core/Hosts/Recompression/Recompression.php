<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Recompression;

use InvalidArgumentException;
use OuterCrate\Hosts\Asks\AudioAsk;

/** What a host does to an upload: the tier it falls into decides its renditions. */
final readonly class Recompression
{
    /**
     * @param  non-empty-list<Tier>  $tiers  the first that takes an upload is its own; the last takes every upload
     * @param  AudioAsk|null  $audio  how it codes the audio; null where it plays no audio
     * @param  int  $lessons  uploads that it was taught by, with what came back of them
     *
     * @throws InvalidArgumentException when an upload could fall into no tier
     */
    public function __construct(public array $tiers, public ?AudioAsk $audio, public int $lessons = 0)
    {
        if ($tiers[count($tiers) - 1]->when !== []) {
            throw new InvalidArgumentException('The last tier must take every upload: leave out its conditions.');
        }
    }

    public function tierOf(Upload $upload): Tier
    {
        foreach ($this->tiers as $tier) {
            if ($tier->takes($upload)) {
                return $tier;
            }
        }

        return $this->tiers[count($this->tiers) - 1];
    }

    /**
     * Whom the tier above another takes: “The fine tier (VP9) is for uploads 1440 lines or taller.”
     *
     * @return string|null null where there is none above it, or no such tier
     */
    public function above(string $name): ?string
    {
        $at = array_search($name, array_map(static fn (Tier $tier): string => $tier->name, $this->tiers), true);
        $above = $at === false ? null : $this->tiers[$at - 1] ?? null;
        if ($above === null) {
            return null;
        }
        $conditions = array_map(static fn (Condition $condition): string => $condition->words(), $above->when);

        return "The {$above->name} tier ({$above->codecs()}) is for uploads ".implode(', or ', $conditions).'.';
    }

    /** Uploads 1440 lines or taller, or above 30 fps, get the fine tier (VP9); the rest get the basic tier (H.264). */
    public function words(): string
    {
        $sentences = [];
        foreach ($this->tiers as $i => $tier) {
            $conditions = array_map(static fn (Condition $condition): string => $condition->words(), $tier->when);
            $who = match (true) {
                $conditions !== [] => 'Uploads '.implode(', or ', $conditions).(count($conditions) > 1 ? ',' : ''),
                $i === 0 => 'Every upload',
                default => 'the rest',
            };
            $sentences[] = $who.($i === 0 && $conditions === [] ? ' becomes ' : ' get ').(count($this->tiers) === 1 ? $tier->codecs()
                : "the {$tier->name} tier ({$tier->codecs()})");
        }
        $audio = $this->audio === null ? 'no audio' : $this->audio->words();

        return implode('; ', $sentences).'. Audio: '.$audio.'.';
    }
}
