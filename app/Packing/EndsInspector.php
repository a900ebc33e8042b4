<?php

namespace App\Packing;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\Neighbours;
use App\Media\Scratch;
use App\Work\Meter;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Witness;
use OuterCrate\Measures\GreyPicture;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Ends;
use OuterCrate\Reading\Reading;
use OuterCrate\Slips\DecodedFrames;
use OuterCrate\Slips\Envelope;
use OuterCrate\Slips\Shift;

/** Holds the first and the last picture of a finished file, and its first sound, against what its run left of the cut. */
class EndsInspector
{
    private const BYTES = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @param  string  $path  of the finished file, or of a folder of images
     * @param  Reading  $made  of it
     * @param  Reading  $cut  that it was made of
     * @return Ends|null null where there is no picture, or where it cannot be decoded
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function ends(string $path, Reading $made, Plan $plan, Reading $cut, Scratch $scratch, Meter $meter): ?Ends
    {
        $frames = DecodedFrames::of($scratch->lines(Witness::TIMES), $plan, $cut);
        $picture = $made->mainVideo();
        if ($picture === null || $frames->count() === 0) {
            return null;
        }
        $witness = new Witness($plan, $cut);
        $crop = $witness->pictureInFrame();
        $sound = is_file("{$scratch->path}/".Witness::SOUND) ? $made->mainAudio()?->index : null;
        if (is_dir($path)) {
            $isImage = fn (string $name): bool => CutReader::imageDemuxer($name) !== null;
            $images = array_values(array_filter(Neighbours::in($path), $isImage));
            [$first, $last] = [$images[0] ?? '', $images[count($images) - 1] ?? ''];
            $command = DecodeCommand::endsOfImages("{$path}/{$first}", "{$path}/{$last}", CutReader::imageDemuxer($first), $crop);
        } else {
            $command = DecodeCommand::ends($path, $picture, $crop, $sound);
        }
        $this->runner->encode($command, $scratch->path, shouldStop: $meter->shouldStop(...));

        return new Ends(
            decoded: $frames->count(),
            counted: $frames->counted(),
            first: $this->shift($scratch->piece(DecodeCommand::FIRST, 0, self::BYTES), $frames->begin(), $scratch),
            last: $this->shift($scratch->piece(DecodeCommand::LAST, -self::BYTES, self::BYTES), $frames->end(), $scratch),
            lag: $sound === null ? null : Envelope::of($scratch->whole(Witness::SOUND), $witness->starts())
                ->lagOf(Envelope::of($scratch->whole(DecodeCommand::SOUND), $picture->starts)),
        );
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
