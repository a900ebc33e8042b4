<?php

namespace App\Packing\Inspection;

use App\Engine\Capabilities;
use App\Engine\EngineFailed;
use App\Media\Checksum;
use App\Media\CutReader;
use App\Media\Neighbours;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;
use App\Models\Volumes;
use App\Work\Meter;
use OuterCrate\Documents\StoredPlan;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\NoVideo;
use OuterCrate\Naming\FileName;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Reading\RateBuffer;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Slips\Comparison;
use OuterCrate\Slips\Slip;
use WeakMap;

/** Reads finished files back and writes their slips. */
class Inspector
{
    /** Versions of a name among which a finished file is looked for. */
    private const VERSIONS = 50;

    /** @var WeakMap<Made, array{sha256: string, xxh64: string}> of what was read back, by what it was read as */
    private readonly WeakMap $sums;

    public function __construct(
        private readonly CutReader $reader,
        private readonly Comparison $comparison,
        private readonly Cells $cells,
        private readonly SoundLeveller $leveller,
        private readonly DecodeInspector $decoding,
        private readonly Capabilities $capabilities,
    ) {
        $this->sums = new WeakMap;
    }

    /**
     * Reads a finished file back.
     *
     * @param  Scratch  $scratch  where its last pass worked
     *
     * @throws EngineFailed when it cannot be read back
     */
    public function read(Run $run, Plan $plan, OutputFile $file, Scratch $scratch, Meter $meter): Made
    {
        try {
            $path = $file->partial;
            $made = is_dir($path) ? $this->images($run, $path, $meter) : $this->file($run, $path, $scratch, $meter);
            $cut = $run->cut?->reading();
            $metered = is_dir($path) ? null : $this->metered($run, $made->reading);
            // What was tried before it was made left its own there.
            $scratch->drop(SoundLevel::FILE);

            if ($cut === null) {
                return $made->soundingAs($this->level($path, $metered, $scratch, $meter));
            }
            $sum = is_dir($path) ? null : Checksum::begin($path);
            $made = $made->endingAs($this->decoding->ends($path, $made->reading, $plan, $cut, $scratch, $meter, $sum, $metered))
                ->soundingAs($this->level($path, $metered, $scratch, $meter));
            if ($sum !== null) {
                $this->sums[$made] = $sum->finish($meter->check(...));
            }

            return $made;
        } catch (Unreadable $e) {
            throw new EngineFailed("The finished file could not be read back: {$e->getMessage()}", '', 'It was removed.');
        }
    }

    public function slip(Run $run, StoredPlan $stored, Made $made, OutputFile $file, int $tries, Meter $meter): Slip
    {
        $summed = is_dir($file->partial) ? "{$file->partial}/SHA256SUMS" : $file->partial;

        $sums = $this->sums[$made] ?? Checksum::both($summed, $meter->check(...));

        return new Slip(
            reading: $made->reading,
            tally: $made->tally,
            sha256: $sums['sha256'],
            xxh64: $sums['xxh64'],
            differences: [...$this->comparison->differences($run->plan, $made), ...$this->decidedNow($stored)],
            found: $this->comparison->found($run->plan, $made),
            madeIn: max(0.0, (float) $meter->work->started_at?->diffInMilliseconds(now()) / 1000),
            quantiser: $made->quantisers?->mean,
            tries: $tries,
            level: $made->level,
            decoded: $made->ends?->made,
            engine: $this->capabilities->version(),
            version: config('app.version'),
        );
    }

    /** @return list<Difference> notes of the values that the stored plan lacked */
    private function decidedNow(StoredPlan $stored): array
    {
        return array_map(function (string $cell) use ($stored): Difference {
            $row = $this->cells->get($cell)->label();
            $value = $stored->plan->values[$cell]->label();
            $text = "{$row}: decided when the file was made, as the stored plan did not say it.";

            return new Difference($cell, '', $value, $text, isNote: true);
        }, $stored->decidedNow);
    }

    /** Where a file lies that has its slip and may have its name; null where it has none yet. */
    public function published(Run $run, Meter $meter): ?string
    {
        for ($version = 1; $version <= self::VERSIONS; $version++) {
            $path = dirname($run->file).'/'.FileName::version(basename($run->file), $version);
            $file = is_dir($path) ? "{$path}/SHA256SUMS" : $path;
            $same = is_file($file) && (is_dir($path) || filesize($file) === $run->slip['bytes']);
            if ($same && ! self::isOfAnother($path, $run) && Checksum::of($file, $meter->check(...)) === $run->slip['sha256']) {
                return $path;
            }
        }

        return null;
    }

    /** Whether another run has left a file: outputs that are planned alike come out alike, to the byte. */
    private static function isOfAnother(string $path, Run $run): bool
    {
        return Run::query()->whereKeyNot($run->id)->whereNotNull('slip')->where('file', Volumes::place($path))->exists();
    }

    private function file(Run $run, string $path, Scratch $scratch, Meter $meter): Made
    {
        $id = $run->plan['values']['video']['codec'];
        $codec = (new Catalogue)->videoCodecs()[$id] ?? null;
        $buffer = RateBuffer::ofPlan($run->plan);
        [$reading, $tally] = $this->reader->readWhole($path, $id !== NoVideo::ID, $buffer, $meter->check(...));
        $scale = $codec?->quality();

        return new Made(
            $reading,
            $tally,
            basename($run->file),
            (int) $run->plan['frames'],
            $scale === null ? null : Quantisers::of($scratch->lines(Quantisers::FILE), $scale),
        );
    }

    /** Channels of the first track of a file that is listened to; null where none is. */
    private function metered(Run $run, Reading $made): ?int
    {
        $isListenedTo = config('crate.listens') || isset($run->plan['values']['audio']['loudness']);

        return $isListenedTo ? $made->mainAudio()?->channels : null;
    }

    /**
     * As it was left by decoding all of a file; listened to by itself where not all of it was decoded.
     *
     * @param  int|null  $metered  channels of its first track; null where it is not listened to
     */
    private function level(string $path, ?int $metered, Scratch $scratch, Meter $meter): ?SoundLevel
    {
        return $metered === null
            ? null
            : SoundLevel::of($scratch->lines(SoundLevel::FILE)) ?? $this->leveller->heard($path, $metered, $scratch, $meter);
    }

    /**
     * A folder of images is read as the cut that they make up; its checksum is that of the list of theirs, which lies in it.
     */
    private function images(Run $run, string $folder, Meter $meter): Made
    {
        $images = Neighbours::in($folder);
        $sums = array_map(function (string $name) use ($folder, $meter): string {
            $meter->check();

            return Checksum::of("{$folder}/{$name}")."  {$name}\n";
        }, $images);
        OutputFile::write("{$folder}/SHA256SUMS", implode('', $sums));
        $reading = $this->reader->readImages($folder, $images, (string) $run->plan['values']['frameRate']['rate']);
        $tally = new PacketTally(0);
        foreach ($images as $i => $name) {
            $tally->take(new Packet(0, $i, $i, 1.0, (int) filesize("{$folder}/{$name}"), true));
        }

        return new Made($reading, $tally, basename($run->file), (int) $run->plan['frames']);
    }
}
