<?php

namespace App\Packing\Inspection;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Checksum;
use App\Media\CutReader;
use App\Media\Neighbours;
use App\Media\Scratch;
use App\Work\Meter;
use App\Work\SideBySide;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Commands\Witness;
use OuterCrate\Measures\GreyPicture;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Decoded;
use OuterCrate\Reading\Ends;
use OuterCrate\Reading\Reading;
use OuterCrate\Slips\DecodedFrames;
use OuterCrate\Slips\Envelope;
use OuterCrate\Slips\Sameness;
use OuterCrate\Slips\Shift;

/** Decodes a finished file, and holds its pictures and its first sound against what its run left of the cut. */
class DecodeInspector
{
    private const BYTES = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;

    /** Characters of what a decoder says that are kept. */
    private const SAID = 160;

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  string  $path  of the finished file, or of a folder of images
     * @param  Reading  $made  of it
     * @param  Reading  $cut  that it was made of
     * @param  Checksum|null  $sum  that is taken while the file is read
     * @param  int|null  $metered  channels of its first track, where SoundLevel is to be left of it if all of it is decoded
     * @return Ends|null null where there is no picture, or where nothing was left of the cut
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function ends(
        string $path,
        Reading $made,
        Plan $plan,
        Reading $cut,
        Scratch $scratch,
        Meter $meter,
        ?Checksum $sum,
        ?int $metered,
    ): ?Ends {
        $frames = DecodedFrames::of($scratch->lines(Witness::TIMES), $plan, $cut);
        $picture = $made->mainVideo();
        if ($picture === null || $frames->count() === 0) {
            return null;
        }
        $witness = new Witness($plan, $cut);
        $crop = $witness->pictureInFrame();
        $sound = is_file("{$scratch->path}/".Witness::SOUND) ? $made->mainAudio()?->index : null;
        $isWhole = config('crate.decodes') && ! is_dir($path);
        $command = match (true) {
            is_dir($path) => self::ofImages($path, $crop),
            $isWhole => DecodeCommand::whole($path, $picture, $crop, $sound, SideBySide::cores(), $metered),
            default => DecodeCommand::ends($path, $picture, $crop, $sound),
        };
        $follower = $sum === null ? null : [$path, $sum->follow(...)];
        $said = $this->runner->encode($command, $scratch->path, shouldStop: $meter->shouldStop(...), follower: $follower);
        [$first, $last] = $isWhole ? [DecodeCommand::ALL, DecodeCommand::ALL] : [DecodeCommand::FIRST, DecodeCommand::LAST];

        return new Ends(
            decoded: $frames->count(),
            counted: $frames->counted(),
            first: $this->shift($scratch->piece($first, 0, self::BYTES), $frames->begin(), $scratch),
            last: $this->shift($scratch->piece($last, -self::BYTES, self::BYTES), $frames->end(), $scratch),
            lag: $sound === null ? null : Envelope::of($scratch->whole(Witness::SOUND), $witness->starts())
                ->lagOf(Envelope::of($scratch->whole(DecodeCommand::SOUND), $picture->starts)),
            made: $isWhole ? $this->decoded($said, $frames, $scratch) : null,
        );
    }

    private function decoded(string $said, DecodedFrames $frames, Scratch $scratch): Decoded
    {
        $count = intdiv($scratch->bytes(DecodeCommand::ALL), self::BYTES);
        $sameness = new Sameness;
        foreach (Sameness::places($count) as $frame) {
            $picture = new GreyPicture($scratch->piece(DecodeCommand::ALL, $frame * self::BYTES, self::BYTES));
            $due = array_map(
                fn (int $number): GreyPicture => new GreyPicture($scratch->piece(Witness::PICTURES, $number * self::BYTES, self::BYTES)),
                $frames->at($frame),
            );
            $sameness->look($frame, $picture, $due);
        }

        return new Decoded($count, self::fault($said), $sameness->looked, $sameness->least, $sameness->at);
    }

    /** The first thing that a decoder says, without the addresses in its memory. */
    private static function fault(string $said): string
    {
        $line = strtok(trim($said), "\n") ?: '';

        return mb_strcut(mb_scrub((string) preg_replace('~^\[(\S+) @ 0x[0-9a-f]+\] ~', '$1: ', $line)), 0, self::SAID);
    }

    private static function ofImages(string $path, ?string $crop): Command
    {
        $isImage = fn (string $name): bool => CutReader::imageDemuxer($name) !== null;
        $images = array_values(array_filter(Neighbours::in($path), $isImage));
        [$first, $last] = [$images[0] ?? '', $images[count($images) - 1] ?? ''];

        return DecodeCommand::endsOfImages("{$path}/{$first}", "{$path}/{$last}", CutReader::imageDemuxer($first), $crop);
    }

    /** @param  array{int, int}  $due */
    private function shift(string $made, array $due, Scratch $scratch): int
    {
        $from = max(0, $due[0] - Shift::REACH);
        $pictures = [];
        $bytes = $scratch->piece(Witness::PICTURES, $from * self::BYTES, ($due[1] + Shift::REACH + 1 - $from) * self::BYTES);
        foreach ($bytes === '' ? [] : str_split($bytes, self::BYTES) as $i => $picture) {
            $pictures[$from + $i] = new GreyPicture($picture);
        }

        return $made === '' ? 0 : Shift::of(new GreyPicture($made), $pictures, $due);
    }
}
