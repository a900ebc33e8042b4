<?php

namespace App\Teaching;

use OuterCrate\Hosts\Asks\AudioAsk;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Tier;
use OuterCrate\Teaching\Borders;
use OuterCrate\Teaching\LearntRung;
use OuterCrate\Teaching\LearntTier;
use OuterCrate\Teaching\TaughtTiers;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Units\Bitrate;

/** Tells what was learnt of a host, with its evidence. */
final readonly class TaughtTold
{
    /** @param  list<LearntTier>  $learnt */
    public function __construct(
        private Host $host,
        private TaughtTiers $tiers,
        private array $learnt,
        private Borders $borders,
        private ?AudioAsk $audio,
    ) {
    }

    /**
     * @param  list<SeenLesson>  $lessons
     * @param  list<array<int, array<string, float>>>  $compared  of each, what the stand-in makes, by lines
     * @return array<string, mixed> resources/schema/taught.json
     */
    public function of(array $lessons, array $compared): array
    {
        $told = array_map(fn (SeenLesson $lesson, array $own): array => $this->lesson($lesson, $own), $lessons, $compared);

        return [
            'host' => $this->host->slug,
            'hostName' => $this->host->name,
            'before' => $this->host->recompression?->words(),
            'words' => (new Recompression($this->tiers->tiers, $this->audio, count($lessons)))->words(),
            'lessons' => $told,
            'tiers' => array_map(
                fn (Tier $tier, int $at): array => $this->tier($tier, $this->learntAt($at), $told),
                $this->tiers->tiers,
                array_keys($this->tiers->tiers),
            ),
            'nearness' => $this->nearness($told),
            'bordersHeld' => $this->tiers->bordersHold,
            'next' => $this->borders->next,
            'remarks' => [...$this->borders->remarks, ...$this->remarks($lessons)],
            'recompression' => $this->recompression(),
        ];
    }

    /**
     * @param  array<int, array<string, float>>  $compared
     * @return array<string, mixed> resources/schema/lesson.json
     */
    private function lesson(SeenLesson $lesson, array $compared): array
    {
        $upload = $lesson->upload;

        return [
            'upload' => [
                'name' => $upload->name(),
                'frame' => (string) $upload->video->displaySize(),
                'frameRate' => $upload->video->frameRate->label(),
                'hdr' => $upload->video->colour->isHdr(),
                'codec' => $upload->video->codecName,
                'kbps' => round($upload->rate() / 1000, 1),
                'seconds' => round($upload->seconds(), 3),
            ],
            'lookedAt' => now()->toDateString(),
            'sampled' => [
                'frames' => array_sum(array_map(fn (TestPiece $piece): int => $piece->frames->count(), $lesson->reel->pieces)),
                'of' => $upload->video->length,
            ],
            'renditions' => array_map(fn (MeasuredRendition $one): array => [
                'name' => $one->file->name(),
                'frame' => (string) $one->seen->frame,
                'shorterSide' => $one->seen->lines(),
                'codec' => $one->file->video->label(),
                'kbps' => round($one->file->rate() / 1000, 1),
                'keyframeSeconds' => $one->seen->keyframeSeconds === null ? null : round($one->seen->keyframeSeconds->toFloat(), 3),
                'structure' => $one->file->video->gop?->label($one->file->video->frameRate),
                'ssimDb' => $one->decibels,
                'standIn' => $compared[$one->seen->lines()] ?? null,
            ], $lesson->renditions),
        ];
    }

    private function learntAt(int $place): ?LearntTier
    {
        $at = array_search($place, $this->tiers->places, true);

        return $at === false ? null : $this->learnt[$at];
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @return array<string, mixed>
     */
    private function tier(Tier $tier, ?LearntTier $learnt, array $told): array
    {
        $ladder = [];
        foreach ($tier->ladder as $rung) {
            $own = array_values(array_filter(
                $learnt->ladder ?? [],
                fn (LearntRung $one): bool => $one->shorterSide === $rung->shorterSide,
            ))[0] ?? null;
            $offs = $own === null ? [] : self::offs($told, array_keys($own->seen), $rung->shorterSide);
            $ladder[] = [
                'shorterSide' => $rung->shorterSide,
                'codecName' => $rung->codecName(),
                'rate' => $rung->average === null ? "quality {$rung->quality}" : (string) $rung->average,
                'keyframeSeconds' => round($rung->keyframeSeconds->toFloat(), 3),
                'keyframesSeen' => $own?->keyframeSeconds() !== null,
                'speed' => $rung->speed,
                'files' => count($own->seen ?? []),
                'rateOff' => $offs === [] ? null : max(array_map(fn (array $off): float => abs($off['rateOff']), $offs)),
                'ssimOff' => $offs === [] ? null : max(array_map(fn (array $off): float => abs($off['ssimOff']), $offs)),
            ];
        }

        return [
            'name' => $tier->name,
            'who' => $this->who($tier),
            'taught' => $learnt !== null,
            'ladder' => $ladder,
        ];
    }

    private function who(Tier $tier): string
    {
        return match (true) {
            $tier->when !== [] => implode(', or ', array_map(fn (Condition $when): string => $when->words(), $tier->when)),
            count($this->tiers->tiers) === 1 => 'every upload',
            default => 'every upload that no other tier takes',
        };
    }

    /**
     * @param  list<array<string, mixed>>  $told
     * @param  list<int>  $lessons
     * @return list<array<string, float>>
     */
    private static function offs(array $told, array $lessons, int $lines): array
    {
        $offs = [];
        foreach ($lessons as $at) {
            foreach ($told[$at]['renditions'] as $rendition) {
                if ($rendition['shorterSide'] === $lines && $rendition['standIn'] !== null) {
                    $offs[] = $rendition['standIn'];
                }
            }
        }

        return $offs;
    }

    /**
     * How near the stand-in comes, in a sentence.
     *
     * @param  list<array<string, mixed>>  $told
     */
    private function nearness(array $told): string
    {
        $all = array_filter(array_column(array_merge(...array_column($told, 'renditions')), 'standIn'));
        if ($all === []) {
            return 'The stand-in could make none of these files.';
        }
        $most = fn (string $figure): float => max(array_map(fn (array $one): float => abs($one[$figure]), $all));

        return sprintf(
            'With these figures the stand-in comes to within %.1f %% of the rate and %.2f dB SSIM of %s.',
            100 * $most('rateOff'),
            $most('ssimOff'),
            count($all) === 1 ? 'the file that the host made' : 'each of the '.count($all).' files that the host made',
        );
    }

    /**
     * @param  list<SeenLesson>  $lessons
     * @return list<string>
     */
    private function remarks(array $lessons): array
    {
        $remarks = [];
        foreach ($this->learnt as $tier) {
            foreach ($tier->ladder as $rung) {
                array_push($remarks, ...$rung->remarks());
            }
        }
        foreach ($lessons as $lesson) {
            foreach ($lesson->renditions as $one) {
                $remarks[] = $one->file->video->frameRate->equals($lesson->upload->video->frameRate) ? null :
                    "{$one->file->name()} has {$one->file->video->frameRate->label()} fps, and its upload ".
                    "{$lesson->upload->video->frameRate->label()}: a host that changes the frame rate is not modelled, ".
                    'the stand-in keeps it.';
            }
        }

        return array_values(array_unique(array_filter($remarks)));
    }

    /** @return array<string, mixed> as in a host file, but for its evidence */
    private function recompression(): array
    {
        $audio = $this->audio;

        return ['tiers' => array_map(fn (Tier $tier): array => $tier->toFile(), $this->tiers->tiers)]
            + ($audio === null ? [] : ['audio' => array_filter([
                'codec' => $audio->codec,
                'kbps' => self::kilobits($audio->bitrate),
                'sampleRate' => $audio->sampleRate,
                'channels' => $audio->channels,
                'loudness' => $audio->loudness?->toFloat(),
            ], fn (mixed $value): bool => $value !== null)]);
    }

    private static function kilobits(Bitrate $rate): int
    {
        return max(1, (int) round($rate->bitsPerSecond / 1000));
    }
}
