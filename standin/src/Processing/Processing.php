<?php

namespace StandIn\Processing;

use App\Engine\EngineFailed;
use App\Library\ShippedHosts;
use App\Media\CutReader;
use App\Media\Scratch;
use App\Transit\StandIn;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use OuterCrate\Hosts\Host;
use OuterCrate\Reading\Reading;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;
use StandIn\Faults;
use StandIn\Models\Rendition;
use StandIn\Models\Video;

/** Does to what has arrived what its host does: looks at it, then makes its renditions, the smallest of all first. */
class Processing
{
    public function __construct(
        private readonly CutReader $reader,
        private readonly StandIn $recompression,
        private readonly ShippedHosts $hosts,
        private readonly Pictures $pictures,
        private readonly Faults $faults,
    ) {
    }

    /** What an earlier process had in hand is begun again. */
    public function takeUp(): void
    {
        Rendition::query()->where('state', 'making')->update(['state' => 'waiting']);
    }

    /** @return bool whether there was anything to do */
    public function one(): bool
    {
        $new = Video::query()->where('state', 'processing')->whereNull('tier')->oldest()->first();
        if ($new !== null) {
            $this->lookAt($new);

            return true;
        }
        $rendition = Rendition::query()->where('state', 'waiting')->orderBy('lines')->orderBy('id')->first();
        if ($rendition === null || $this->faults->value('processing-stands') !== null) {
            return false;
        }
        $this->make($rendition);

        return true;
    }

    /** Which tier it falls into, and what will be made of it; or why the host does not take it. */
    private function lookAt(Video $video): void
    {
        $host = $this->hosts->item($video->account->host);
        try {
            $reading = $this->reader->read($video->file)['reading'];
            $upload = StandIn::uploadOf($reading);
            $refused = $this->refused($host, $reading, $video->bytes);
        } catch (Refused) {
            $refused = 'The file is no video that the host can read.';
        }
        if ($refused !== null || ! isset($reading, $upload) || $host->recompression === null) {
            $video->update(['state' => 'failed', 'reason' => $refused ?? 'The host plays no videos.', 'tier' => '']);

            return;
        }
        $tier = $host->recompression->tierOf($upload);
        DB::transaction(function () use ($video, $tier, $upload): void {
            foreach ($tier->renditionsOf($upload->frame) as $rung) {
                $video->renditions()->firstOrCreate(['lines' => $rung->shorterSide], ['codec' => $rung->codecName()]);
            }
            $video->update(['tier' => $tier->name]);
        });
        $this->pictures->pick($video, $reading);
    }

    private function refused(Host $host, Reading $reading, int $bytes): ?string
    {
        $limits = $host->asks->limits;
        $seconds = $reading->duration->toFloat();
        $fault = $this->faults->value('refuses')['for'] ?? null;

        return match (true) {
            $fault === 'size', $limits->bytes !== null && $bytes > $limits->bytes => 'The file is larger than the host takes.',
            $fault === 'shape' => 'The host does not take this shape of picture.',
            $fault !== null => 'The video is longer than the host takes.',
            $limits->seconds !== null && $seconds > $limits->seconds => 'The video is longer than the '
                .new Duration(new Fraction($limits->seconds)).' that the host takes.',
            default => null,
        };
    }

    private function make(Rendition $rendition): void
    {
        $video = $rendition->video;
        $rendition->update(['state' => 'making']);
        $recompression = $this->hosts->item($video->account->host)->recompression ?? throw EngineFailed::noPicture();
        $folder = $video->folder();
        File::ensureDirectoryExists($folder);
        $scratch = Scratch::named("host-{$rendition->id}");
        try {
            if ($this->faults->value('processing-fails') !== null) {
                throw EngineFailed::noPicture();
            }
            $reading = $this->reader->read($video->file)['reading'];
            foreach ($recompression->tierOf(StandIn::uploadOf($reading))->ladder as $rung) {
                if ($rung->shorterSide === $rendition->lines) {
                    $level = $this->recompression->level($video->file, $reading, $recompression, $scratch);
                    $made = $this->recompression->rendition($video->file, $reading, $recompression, $rung, $level, $folder, $scratch);
                    $file = $this->pictures->forPlayers($made, "{$folder}/{$rendition->lines}.mp4");
                    $rendition->update(['state' => 'ready', 'file' => $file, 'bytes' => filesize($file)]);
                }
            }
        } catch (Refused) {
            $rendition->update(['state' => 'failed']);
        } finally {
            $scratch->remove();
        }
        $this->settle($video);
    }

    private function settle(Video $video): void
    {
        $states = $video->renditions()->pluck('state');
        if ($states->contains('failed')) {
            $video->update(['state' => 'failed', 'reason' => 'The host could not prepare it.']);
        } elseif ($states->every(fn (string $state): bool => $state === 'ready')) {
            $video->update(['state' => 'ready']);
        }
    }
}
