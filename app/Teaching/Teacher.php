<?php

namespace App\Teaching;

use App\Media\Scratch;
use App\Media\SoundMeter;
use Closure;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\AudioAsk;
use OuterCrate\Hosts\Host;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Teaching\Borders;
use OuterCrate\Teaching\HeardSound;
use OuterCrate\Teaching\LearntTier;
use OuterCrate\Teaching\Lesson;
use OuterCrate\Teaching\TaughtTiers;
use OuterCrate\Units\Bitrate;

/** Learns from uploads and what came back of them what a host does, and how near the stand-in comes to it. */
class Teacher
{
    /** Part of the work after which the files are read and measured; what is left is the stand-in's. */
    private const READ = 0.4;

    public function __construct(
        private readonly LessonReader $reader,
        private readonly LadderFit $fit,
        private readonly SoundMeter $meter,
        private readonly Catalogue $catalogue,
    ) {
    }

    /**
     * @param  non-empty-list<list<string>>  $lessons  paths of the files of each
     * @param  Closure(float): void  $onShare  told how much of it is done, 0 to 1
     * @param  Closure(): bool  $shouldStop
     * @return array<string, mixed> resources/schema/taught.json
     *
     * @throws TeachingRefused
     */
    public function teach(Host $host, array $lessons, Closure $onShare, Closure $shouldStop): array
    {
        $seen = [];
        foreach ($lessons as $i => $paths) {
            $seen[] = $this->reader->read($paths, $seen, $shouldStop);
            $onShare(self::READ * ($i + 1) / count($lessons));
        }
        $short = array_map(fn (SeenLesson $one): Lesson => $one->lesson, $seen);
        $borders = Borders::of($short);
        $learnt = $speeds = [];
        foreach ($borders->tiers as $i => $tier) {
            $learnt[] = $tier = $this->fit->withQualities($tier, $seen, $shouldStop);
            $speeds[] = $this->fit->speed($tier, $seen, $shouldStop);
            $onShare(self::READ + (0.7 - self::READ) * ($i + 1) / count($borders->tiers));
        }
        $tiers = TaughtTiers::of($host->recompression, $short, $learnt, $speeds);
        $compared = [];
        foreach ($seen as $at => $lesson) {
            $compared[] = $this->compared($lesson, $at, $tiers, $learnt, $shouldStop);
            $onShare(0.7 + 0.3 * ($at + 1) / count($seen));
        }

        return (new TaughtTold($host, $tiers, $learnt, $borders, $this->audio($host, $seen, $shouldStop)))->of($seen, $compared);
    }

    /**
     * @param  list<LearntTier>  $learnt
     * @return array<int, array<string, float>> what the stand-in makes, by lines
     */
    private function compared(SeenLesson $lesson, int $at, TaughtTiers $tiers, array $learnt, Closure $shouldStop): array
    {
        $compared = [];
        foreach ($learnt as $i => $tier) {
            foreach (in_array($at, $tier->lessons, true) ? $tier->ladder : [] as $rung) {
                $taught = $tiers->rung($i, $rung->shorterSide);
                $own = $taught === null ? null : $this->fit->compared($taught, $rung, $lesson, $shouldStop);
                $own === null ?: $compared[$rung->shorterSide] = $own;
            }
        }

        return $compared;
    }

    /**
     * How the host codes sound: as in the file that has most of it; what was known where none has any.
     *
     * @param  non-empty-list<SeenLesson>  $lessons
     */
    private function audio(Host $host, array $lessons, Closure $shouldStop): ?AudioAsk
    {
        $best = null;
        $heard = [];
        foreach ($lessons as $lesson) {
            $own = null;
            foreach ($lesson->renditions as $rendition) {
                if ($rendition->file->reading->mainAudio() !== null && $rendition->file->audioRate() > ($own?->audioRate() ?? 0.0)) {
                    $own = $rendition->file;
                }
            }
            if ($own === null) {
                continue;
            }
            $best = $best === null || $own->audioRate() > $best->audioRate() ? $own : $best;
            $heard[] = new HeardSound(
                $this->level($lesson->upload, $shouldStop)?->integrated,
                $this->level($own, $shouldStop)?->integrated,
            );
        }
        $track = $best?->reading->mainAudio();
        if ($best === null || $track === null || ! isset($this->catalogue->audioCodecs()[$track->codec])) {
            return $host->recompression?->audio;
        }

        return new AudioAsk(
            $track->codec,
            new Bitrate((int) round($best->audioRate(), -3)),
            $track->sampleRate,
            $track->channels,
            HeardSound::target($heard, $host->recompression?->audio?->loudness),
        );
    }

    private function level(SeenFile $file, Closure $shouldStop): ?SoundLevel
    {
        $track = $file->reading->mainAudio();
        if ($track === null) {
            return null;
        }
        $scratch = Scratch::named('taught-'.bin2hex(random_bytes(4)));
        try {
            return $this->meter->ofFile($file->path, $track->channels, $scratch, $shouldStop);
        } finally {
            $scratch->remove();
        }
    }
}
