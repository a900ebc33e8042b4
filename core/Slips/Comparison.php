<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Formats\Colour;
use OuterCrate\Formats\Video\NoPicture;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cell;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Fraction;

/** Holds a produced file against its frozen plan, value by value. */
final readonly class Comparison
{
    /** What the prober calls a profile → what it is called in plans. */
    private const ALIASES = ['HEVC Rext' => 'HEVC Main 4:2:2 10'];

    /**
     * @param  array<mixed>  $plan  the frozen plan (resources/schema/plan.json)
     * @return list<Difference>
     */
    public function differences(array $plan, Reading $found, PacketTally $tally): array
    {
        $values = (new Fields($plan))->within('values');
        $video = $found->mainVideo();
        if ($values->within('picture')->text('codec') === NoPicture::ID) {
            return array_values(array_filter([$this->container($values->within('container'), $found), $this->sound($values->within('sound'), $found)]));
        }
        if ($video === null) {
            return [new Difference(Cell::Picture, $values->within('picture')->text('label') ?? '', 'none', 'The file has no picture.')];
        }

        return array_values(array_filter([
            $this->container($values->within('container'), $found),
            $this->picture($values->within('picture'), $video),
            $this->frameSize($values->within('frameSize'), $video),
            $this->frameRate($values->within('frameRate'), $video),
            $this->frames((new Fields($plan))->int('frames') ?? 0, $tally),
            $this->size($values->within('rate')->int('target'), $found) ?? $this->rate($values->within('rate'), $found, $tally),
            $this->keyframes($values->within('keyframes'), $tally),
            $this->colour($values->within('colour'), $video),
            $this->sound($values->within('sound'), $found),
        ]));
    }

    private function container(Fields $planned, Reading $found): ?Difference
    {
        if ($planned->text('id') !== $found->container) {
            return new Difference(Cell::Container, $planned->text('label') ?? '', $found->containerName, "The container came out as {$found->containerName}.");
        }

        return $planned->bool('fastStart') === true && $found->fastStart !== true
            ? new Difference(Cell::Container, 'fast start', 'index at the end', 'The index lies at the end of the file, so a host cannot begin to read before all of it has arrived.')
            : null;
    }

    private function picture(Fields $planned, VideoReading $video): ?Difference
    {
        $label = $planned->text('label') ?? '';
        $name = explode(' · ', $label)[0];
        $found = self::ALIASES[$video->label()] ?? $video->label();
        // Of DNxHD a file says no more than that it is that.
        $named = $planned->text('profile') === null || strcasecmp($name, $found) === 0 || (($video->codec === 'dnxhd' || $video->profile === null) && stripos($name, $found) === 0);
        if ($planned->text('codec') !== $video->codec || ! $named) {
            return new Difference(Cell::Picture, $name, $video->label(), "The picture came out as {$video->label()}.");
        }
        $level = self::level($planned->text('codec'), $video->level);

        return $planned->text('level') !== null && $level !== null && version_compare($level, (string) $planned->text('level'), '>')
            ? new Difference(Cell::Picture, "level {$planned->text('level')}", "level {$level}", "The level came out as {$level}.")
            : null;
    }

    private function frameSize(Fields $planned, VideoReading $video): ?Difference
    {
        $aspect = Fraction::tryParse($planned->text('sampleAspect')) ?? new Fraction(1);
        if ($planned->int('width') === $video->size->width && $planned->int('height') === $video->size->height && $aspect->equals($video->sampleAspect)) {
            return null;
        }

        return new Difference(Cell::FrameSize, $planned->text('label') ?? '', (string) $video->size, "The frame came out as {$video->size}, pixels {$video->sampleAspect->numerator}:{$video->sampleAspect->denominator}.");
    }

    private function frameRate(Fields $planned, VideoReading $video): ?Difference
    {
        if ($planned->text('rate') !== (string) $video->frameRate) {
            return new Difference(Cell::FrameRate, $planned->text('label') ?? '', $video->frameRate->label(), "The frame rate came out as {$video->frameRate->label()} ({$video->frameRate}).");
        }

        return $planned->text('scan') !== $video->scan->value
            ? new Difference(Cell::FrameRate, $planned->text('scan') ?? '', $video->scan->value, "The file says {$video->scan->label()}.")
            : null;
    }

    /** One frame more or less may come of sound that outlasts the picture; more means lost or repeated frames. */
    private function frames(int $planned, PacketTally $tally): ?Difference
    {
        return abs($planned - $tally->frames) <= 1 ? null
            : new Difference(Cell::FrameRate, "{$planned} frames", "{$tally->frames} frames", "{$planned} frames were planned and {$tally->frames} are there.");
    }

    /** Rate control settles over seconds: a tenth over the average counts, and so does a file that needed much less. */
    private function size(?int $most, Reading $found): ?Difference
    {
        if ($most === null || $found->bytes <= $most) {
            return null;
        }
        [$most, $bytes] = [new ByteCount($most), new ByteCount($found->bytes)];

        return new Difference(Cell::Rate, "under {$most}", (string) $bytes, "The file came to {$bytes} and was to stay under {$most}. Ask for a little less, or for two passes.");
    }

    private function rate(Fields $planned, Reading $found, PacketTally $tally): ?Difference
    {
        $average = $planned->int('average');
        if ($average === null) {
            return null;
        }
        $asked = new Bitrate($average);
        $got = Bitrate::ofBytes($tally->videoBytes, $found->duration);
        if ($got->bitsPerSecond > $average * 1.1) {
            return new Difference(Cell::Rate, (string) $asked, (string) $got, "The picture runs at {$got}, over the {$asked} planned.");
        }

        return $got->bitsPerSecond < $average * 0.85
            ? new Difference(Cell::Rate, (string) $asked, (string) $got, "The picture needed only {$got} of the {$asked} planned.")
            : null;
    }

    private function keyframes(Fields $planned, PacketTally $tally): ?Difference
    {
        $frames = $planned->int('frames') ?? 0;

        return $tally->longestGap > $frames
            ? new Difference(Cell::Keyframes, "{$frames} frames", "{$tally->longestGap} frames", "Keyframes lie up to {$tally->longestGap} frames apart; {$frames} were planned.")
            : null;
    }

    private function colour(Fields $planned, VideoReading $video): ?Difference
    {
        $wanted = new Colour($planned->text('primaries'), $planned->text('transfer'), $planned->text('matrix'), $planned->text('range') === 'full');
        $depth = $planned->int('bitDepth');
        // What 4444 stores has 12 bits, whatever it was given (SMPTE RDD 36, 6.1).
        $deep = $depth === $video->pixelFormat->bitDepth || ($video->codec === 'prores' && $depth === 10 && $video->pixelFormat->bitDepth === 12);
        $same = $deep && $planned->text('chroma') === $video->pixelFormat->chroma->value
            && (! $wanted->isTagged() || $wanted->showsLike($video->colour));
        $found = "{$video->colour->label()} · {$video->pixelFormat->bitDepth}-bit {$video->pixelFormat->chroma->value}";

        return $same ? null : new Difference(Cell::Colour, $planned->text('label') ?? '', $found, "The colour came out as {$found}.");
    }

    private function sound(Fields $planned, Reading $reading): ?Difference
    {
        $audio = $reading->mainAudio();
        $tracks = $planned->int('trackCount') ?? count($reading->audio);
        if ($tracks !== count($reading->audio)) {
            return new Difference(Cell::Sound, "{$tracks} tracks", count($reading->audio).' tracks', "{$tracks} sound tracks were planned and ".count($reading->audio).' are there.');
        }
        $codec = $planned->text('codec');
        $found = $audio === null ? null : ($audio->codecName === 'PCM' ? 'pcm' : $audio->codec);
        $same = $codec === $found
            && ($audio === null || ($planned->int('sampleRate') === $audio->sampleRate && $planned->int('channels') === $audio->channels));

        return $same ? null : new Difference(Cell::Sound, $planned->text('label') ?? 'none', $audio?->label() ?? 'none', 'The sound came out as '.($audio?->label() ?? 'none').'.');
    }

    /** Levels are stored ×10 in H.264 (level_idc) and ×30 in HEVC (general_level_idc). */
    private static function level(?string $codec, ?int $stored): ?string
    {
        return $stored === null ? null : match ($codec) {
            'h264' => rtrim(rtrim(number_format($stored / 10, 1, '.', ''), '0'), '.'),
            'hevc' => rtrim(rtrim(number_format($stored / 30, 1, '.', ''), '0'), '.'),
            default => null,
        };
    }
}
