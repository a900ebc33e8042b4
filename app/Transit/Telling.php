<?php

namespace App\Transit;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Hosts\Host;
use OuterCrate\Measures\Banding;
use OuterCrate\Measures\OverTime;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\SoundSpans;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\FrameRange;

/** Tells what a transit test came to, with the name of every measure and what was looked at. */
final readonly class Telling
{
    /** @param  non-empty-list<Screen>  $screens */
    public function __construct(private Reel $reel, private Host $host, private array $screens, private FrameRange $range)
    {
    }

    /**
     * @param  non-empty-list<array<string, mixed>>  $results
     * @return array<string, mixed> resources/schema/transit.json
     */
    public function of(array $results, Weights $weights): array
    {
        $shares = $this->reel->shares();
        $frames = array_sum(array_map(fn (TestPiece $piece): int => $piece->frames->count(), $this->reel->pieces));

        return Judged::with([
            'host' => $this->host->slug,
            'hostName' => $this->host->name,
            'hostVersion' => $this->host->version,
            'simulation' => $this->simulation().self::onePass($results),
            'measures' => $this->measures(),
            'sampled' => ['frames' => $frames, 'of' => $this->range->count(), 'share' => round($frames / $this->range->count(), 4)],
            'pieces' => array_map(fn (TestPiece $piece): array => [
                'firstFrame' => $piece->frames->first,
                'lastFrame' => $piece->frames->last,
                'share' => round($piece->share, 4),
                'why' => $piece->why->value,
                'words' => $piece->why->words(),
            ], $this->reel->pieces),
            'screen' => $this->deciding(),
            'candidates' => array_map(fn (array $result): array => [
                'name' => $result['candidate']->name,
                'upload' => $this->uploadTold($result, $shares),
                'after' => array_map(
                    fn (int $at): array => $this->afterTold($result, $at, $this->screens[$at], $shares),
                    array_keys($this->screens),
                ),
                'sound' => $result['sound']?->toArray(),
            ], $results),
        ], $weights);
    }

    /**
     * @param  array<string, mixed>  $result
     * @param  non-empty-list<float>  $shares
     * @return array<string, mixed>
     */
    private function uploadTold(array $result, array $shares): array
    {
        $own = $result['own'];

        return [
            'bytes' => $result['candidate']->bytes,
            'bytesLabel' => (string) new ByteCount($result['candidate']->bytes),
            'bitrate' => (int) round($result['upload']->bitsPerSecond),
            'wanted' => $result['upload']->wanted === null ? null : (int) $result['upload']->wanted,
            'ssimDb' => self::decibels($own, $shares),
            'seconds' => round($result['candidate']->making, 1),
            'sendSeconds' => round($result['candidate']->sending, 1),
            'secondsLabel' => (string) Duration::upTo($result['candidate']->making),
            'sendLabel' => (string) Duration::upTo($result['candidate']->sending),
        ] + $this->figuresTold($own);
    }

    /**
     * @param  array<string, mixed>  $result
     * @param  non-empty-list<float>  $shares
     * @return array<string, mixed>
     */
    private function afterTold(array $result, int $at, Screen $screen, array $shares): array
    {
        ['rung' => $rung, 'rendition' => $rendition, 'figures' => $figures] = $result['after'][$at];

        return [
            'screen' => $screen->lines,
            'rendition' => $rung->shorterSide,
            'frame' => (string) $rendition->plan->frameSize->frame,
            'codec' => $rung->codecName(),
            'tier' => $result['tier'],
            'bitrate' => (int) round($rendition->bitsPerSecond),
            'wanted' => $rendition->wanted === null ? null : (int) $rendition->wanted,
            'ssimDb' => self::decibels($figures, $shares),
            'banded' => $figures['bandingAdded'] > Banding::SEEN,
        ] + $this->figuresTold($figures);
    }

    /**
     * @param  array<mixed>  $figures
     * @param  non-empty-list<float>  $shares
     */
    private static function decibels(array $figures, array $shares): float
    {
        return round(OverTime::decibels(Outcome::mean($figures['ssim'], $shares)), 3);
    }

    /**
     * @param  array<mixed>  $figures
     * @return array<mixed>
     */
    private function figuresTold(array $figures): array
    {
        return [
            'ssimDbWorst' => round(OverTime::decibels($figures['ssimWorst']), 3),
            'ssimDbPieces' => array_map(fn (float $ssim): float => round(OverTime::decibels($ssim), 3), $figures['ssim']),
        ] + array_diff_key($figures, ['ssim' => 0, 'ssimWorst' => 0, 'frames' => 0, 'alike' => 0]);
    }

    /**
     * Lines of the smallest screen that shows every line of the cut, or of the largest that was asked for.
     */
    private function deciding(): int
    {
        $lines = $this->reel->reading->mainVideo()?->displaySize()->shorterSide() ?? 1080;
        $all = array_map(fn (Screen $screen): int => $screen->lines, $this->screens);
        $fits = array_filter($all, fn (int $own): bool => $own >= $lines);

        return $fits === [] ? max($all) : min($fits);
    }

    private function simulation(): string
    {
        $lessons = $this->host->recompression->lessons ?? 0;

        return $lessons === 0
            ? "A simulation of what {$this->host->name} publishes or was taught."
            : "A simulation of {$this->host->name}, as it was taught by ".($lessons === 1 ? 'an upload.' : "{$lessons} uploads.");
    }

    /**
     * What is not as it would be in a whole.
     *
     * @param  list<array<string, mixed>>  $results
     */
    private static function onePass(array $results): string
    {
        $once = array_filter($results, function (array $result): bool {
            $rate = $result['candidate']->plan->bitrate;

            return $rate->mode === BitrateMode::Vbr && $rate->passes === 1;
        });

        return $once === [] ? '' : ' One pass is tried in two, for pieces are too short for its rate control: a whole keeps a little less.';
    }

    private static function percent(float $share): string
    {
        return round(100 * $share)."\u{2009}%";
    }

    /** @return array<string, string> what each figure is */
    private function measures(): array
    {
        $plenty = '';
        foreach (HoldRate::OF_PLENTY as $times => $near) {
            $plenty = ', '.self::percent($near)." for an upload of {$times} times what the host makes of it".$plenty;
        }

        return [
            'bitrate' => 'What the pieces came to, each counted for what it stands for: as near to what is asked for as the picture and '.
                'its peak let it, which is '.self::percent(HoldRate::NEAR).' for most'.$plenty.'.',
            'ssimDb' => 'SSIM (Wang et al. 2004) of luma and chroma as the engine weighs them, in dB: 10 log10 of 1 over 1 − SSIM. '.
                'Every frame of every piece, 10 bits.',
            'ssimDbWorst' => 'The 5th percentile of the seconds, of the worst piece.',
            'psnr' => 'Mean over luma and chroma, in dB of 10 bits.',
            'vif' => 'The engine’s vif (Sheikh and Bovik 2006), the mean of its four scales; the middle quarter of three frames at most.',
            'detailKept' => 'Outer Crate, version 1: least squares in four octaves of a Laplacian pyramid; '.
                'three windows of a frame of three pieces at most, the worst first.',
            'grainKept' => 'Outer Crate, version 1: energy of change where nothing moves, against the cut’s.',
            'shadowKept' => 'Outer Crate, version 1: detail kept where luma lies under a fifth of its range.',
            'bandingAdded' => 'Outer Crate, version 1: after CAMBI (Tandon et al. 2021), above the cut’s own.',
            'toneShift' => 'Outer Crate, version 1: the largest step off the cut’s tones, as a share of black to white.',
            'sound' => 'Loudness and true peak (ITU-R BS.1770-4) of what was coded twice: all of a short sound, '.
                SoundSpans::COUNT.' parts of '.SoundSpans::SECONDS.' seconds of a long one.',
            'kernel' => 'Scaled to the cut’s size by bicubic.',
        ];
    }
}
