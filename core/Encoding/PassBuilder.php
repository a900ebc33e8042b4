<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use InvalidArgumentException;
use OuterCrate\Analysis\LightMeter;
use OuterCrate\Encoding\Audio\AudioArguments;
use OuterCrate\Encoding\Audio\OpusArguments;
use OuterCrate\Encoding\Boxes\PictureBoxes;
use OuterCrate\Encoding\Commands\ListenCommand;
use OuterCrate\Encoding\Commands\Witness;
use OuterCrate\Encoding\Elements\PictureElements;
use OuterCrate\Encoding\Elements\SegmentHead;
use OuterCrate\Encoding\Filters\AudioChain;
use OuterCrate\Encoding\Filters\FilterChain;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Formats\Containers\ImageFolder;
use OuterCrate\Formats\Containers\Mov;
use OuterCrate\Formats\Containers\Mp4;
use OuterCrate\Formats\Containers\TakesOpusDelayTwice;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Reading\Reading;

/** Plan → what the engine is asked to do, as lists of arguments. */
final readonly class PassBuilder
{
    /** The gathering pass skips the costly decisions; measured at about a third of both passes together. */
    private const FIRST_PASS_WEIGHT = 35;

    /** Parts that are there are copied, and sound is coded. */
    private const JOINING_WEIGHT = 4;

    /** How pieces are made and read; counted up when that changes, so that what is known from before is not taken for the same. */
    private const SAMPLES = '3';

    public function __construct(private Encoders $encoders)
    {
    }

    /**
     * @param  bool  $witnessed  what is decoded is left beside the file, to hold it against (Witness)
     * @return non-empty-list<Pass> in the order in which they run
     */
    public function passes(Plan $plan, Reading $reading, bool $witnessed = true): array
    {
        $input = (new Excerpt($reading, $plan->range))->input();
        $write = fn (int $pass, int $weight): Pass => new Pass(
            input: $input,
            arguments: [
                ...$this->picture($plan, $reading, $pass),
                ...self::told($plan),
                ...$this->sound($plan, $reading),
                ...$this->file($plan, $reading),
            ],
            writes: true,
            weight: $weight,
            boxes: PictureBoxes::of($plan),
            images: self::images($plan),
            elements: PictureElements::of($plan),
            beside: $witnessed ? (new Witness($plan, $reading))->outputs() : [],
        );

        return $plan->bitrate->passes === 2
            ? [$this->gathering($plan, $reading, $input), $write(2, 100 - self::FIRST_PASS_WEIGHT)]
            : [$write(0, 100)];
    }

    /**
     * Picture and sound of a part, for sampling; in two passes where the plan has two.
     *
     * @return non-empty-list<Pass>
     */
    public function sample(Plan $plan, Reading $reading): array
    {
        $input = (new Excerpt($reading, $plan->range))->input();
        $write = fn (int $pass): Pass => new Pass(
            $input,
            [
                ...$this->picture($plan, $reading, $pass),
                '-tag:v',
                '0',
                ...$this->sound($plan, $reading),
                '-sn',
                '-dn',
                '-map_metadata',
                '-1',
                '-f',
                'nut',
            ],
            true,
            100,
        );

        return $plan->bitrate->passes === 2
            ? [$this->gathering($plan, $reading, $input), $write(2)]
            : [$write(0)];
    }

    /** What a part of a file that is divided leaves for its second pass. */
    public function partGathered(Plan $plan, Reading $reading): Pass
    {
        $pass = $this->gathering($plan, $reading, (new Excerpt($reading, $plan->range))->input());

        return new Pass($pass->input, $pass->arguments, false, 100);
    }

    /**
     * The picture of a part of a file that is divided, for joining() to take over as it is. Its clock counts exactly, whatever that of the
     * file does.
     *
     * @param  float|null  $full  share of a decoder's buffer that is full where it begins; null for what the encoder takes it to be
     */
    public function part(Plan $plan, Reading $reading, ?float $full = null): Pass
    {
        return new Pass((new Excerpt($reading, $plan->range))->input(), [
            ...BufferLevel::told($this->picture($plan, $reading, $plan->bitrate->passes === 2 ? 2 : 0), $full),
            ...self::told($plan),
            ...['-an', '-sn', '-dn', '-map_metadata', '-1', '-map_chapters', '-1'],
            ...['-movflags', '+write_colr', '-write_tmcd', '0', '-f', self::partMuxer($plan)],
        ], true, 100, beside: (new Witness($plan, $reading))->pictures());
    }

    private static function partMuxer(Plan $plan): string
    {
        $container = in_array($plan->video->codec->id(), (new Mp4)->videoCodecs(), true) ? new Mp4 : new Mov;

        return $container->muxer();
    }

    /**
     * The whole file, its picture from parts as they were made; the sound is coded here, once.
     *
     * @param  string  $list  name of the list of parts in the working folder (Parts)
     */
    public function joining(Plan $plan, Reading $reading, string $list): Pass
    {
        $encoder = $this->encoders->forVideo($plan->video)->arguments($plan, 0);
        $tag = array_search('-tag:v', $encoder, true);

        return new Pass(
            input: (new Excerpt($reading, $plan->range))->input(),
            arguments: [
                // The parts were made alike: their packets need no conversion, and get none.
                ...['-f', 'concat', '-auto_convert', '0', '-protocol_whitelist', 'file', '-format_whitelist', 'concat,mov', '-i', $list],
                ...['-map', '1:v', '-c:v', 'copy'],
                ...$tag === false ? [] : ['-tag:v', $encoder[$tag + 1]],
                ...$this->sound($plan, $reading),
                ...$this->file($plan, $reading),
            ],
            writes: true,
            weight: self::JOINING_WEIGHT,
            boxes: PictureBoxes::of($plan),
            elements: PictureElements::of($plan),
            beside: (new Witness($plan, $reading))->sound(),
        );
    }

    /** How bright the picture gets, left in a file of this name in the working folder. */
    public function lighting(Plan $plan, Reading $reading, string $file): Pass
    {
        $video = $reading->mainVideo() ?? throw new InvalidArgumentException('There is no picture to look at.');
        $excerpt = new Excerpt($reading, $plan->range);
        $picture = implode(',', $excerpt->picture());
        $chains = [
            "[0:{$video->index}]{$picture},split[light][rest]",
            '[rest]scale=16:16[seen]',
            ...LightMeter::chain($video, "metadata=mode=print:file={$file}"),
        ];

        return new Pass($excerpt->input(), ['-filter_complex', implode(';', $chains), '-map', '[seen]', '-f', 'null'], false, 0);
    }

    /** The first track of sound with its level set, before it is coded; its loudness is left in the working folder. */
    public function listening(Plan $plan, Reading $reading): Pass
    {
        $track = $reading->mainAudio() ?? throw new InvalidArgumentException('There is no sound to listen to.');
        $filters = AudioChain::of($plan->audio, $track, $plan->audio->channels, $this->soundExcerpt($plan, $reading));
        $arguments = ['-map', "0:{$track->index}", '-vn', '-af', implode(',', [...$filters, ...ListenCommand::METER]), '-f', 'null'];

        return new Pass((new Excerpt($reading, $plan->range))->input(), $arguments, false, 0);
    }

    /** The sound as it will be delivered, by itself. */
    public function soundAlone(Plan $plan, Reading $reading): Pass
    {
        return new Pass((new Excerpt($reading, $plan->range))->input(), ['-vn', ...$this->sound($plan, $reading), '-f', 'nut'], true, 0);
    }

    /** What a sample of the picture depends on, as one string. */
    public function sampleKey(Plan $plan, Reading $reading): string
    {
        return hash(
            'xxh128',
            implode("\0", [
                self::SAMPLES,
                $plan->range->first,
                $plan->range->last,
                $plan->keyframes->frames,
                (string) $plan->bitrate->passes,
                ...$this->picture($plan, $reading, 0),
                ...$this->sound($plan, $reading),
            ]),
        );
    }

    /** @param  list<string>  $input */
    private function gathering(Plan $plan, Reading $reading, array $input): Pass
    {
        return new Pass($input, [...$this->picture($plan, $reading, 1), '-an', '-f', 'null'], false, self::FIRST_PASS_WEIGHT);
    }

    /** @return list<string> */
    private function picture(Plan $plan, Reading $reading, int $pass): array
    {
        if (! $plan->hasVideo()) {
            return ['-vn'];
        }
        $video = $this->encoders->forVideo($plan->video);
        $arguments = $video->arguments($plan, $pass);
        $colour = $plan->colour->colour;

        $stream = '[0:'.($reading->mainVideo()->index ?? 0).']';

        return [
            // From filters of one input, the engine hands on what the cut says of its picture (mastering display, light, projection)
            // whatever became of it: these have two.
            '-filter_complex',
            $stream.FilterChain::of($plan, $reading)."[picture];{$stream}nullsink",
            '-map',
            '[picture]',
            '-fps_mode',
            'cfr',
            '-r',
            (string) $plan->frameRate->rate,
            '-c:v',
            $video->encoder($plan->video),
            ...$arguments,
            ...in_array('-pix_fmt', $arguments, true) ? [] : ['-pix_fmt', $plan->colour->pixelFormat->engineName()],
            ...$colour->primaries === null ? [] : ['-color_primaries', $colour->primaries],
            ...$colour->transfer === null ? [] : ['-color_trc', $colour->transfer],
            ...$colour->matrix === null ? [] : ['-colorspace', $colour->matrix === 'gbr' ? 'rgb' : $colour->matrix],
            '-color_range',
            $colour->fullRange ? 'pc' : 'tv',
        ];
    }

    /** @return list<string> */
    private function sound(Plan $plan, Reading $reading): array
    {
        $codec = $plan->audio->codec;
        $audio = $reading->mainAudio();
        if ($codec === null || $audio === null) {
            return ['-an'];
        }
        $arguments = $this->encoders->audio($codec->id());
        [$maps, $filters, $shapes] = [[], [], []];
        foreach (self::tracks($plan, $reading) as $i => $track) {
            $channels = $plan->audio->tracks[$i];
            $chain = AudioChain::of($plan->audio, $track, $channels, $this->soundExcerpt($plan, $reading));
            array_push($chain, ...self::ahead($plan, $arguments));
            array_push($maps, '-map', "0:{$track->index}");
            array_push($filters, ...$chain === [] ? [] : ["-filter:a:{$i}", implode(',', $chain)]);
            array_push($shapes, "-ac:a:{$i}", (string) $channels);
        }

        return [
            ...$maps,
            ...$filters,
            '-c:a',
            $arguments->encoder($plan->audio),
            ...$arguments->arguments($plan->audio),
            '-ar',
            (string) $plan->audio->sampleRate,
            ...$shapes,
        ];
    }

    /**
     * Where a container does not say when sound begins, what the encoder puts ahead would make it late: so much of the beginning, which is
     * a few hundredths of a second at most, makes way for it. Where it is taken off twice, it would come early: it is held up by as much.
     *
     * @return list<string>
     */
    private static function ahead(Plan $plan, AudioArguments $arguments): array
    {
        $delay = $arguments->delay() / $plan->audio->sampleRate;
        $isTwice = $plan->container->container instanceof TakesOpusDelayTwice && $arguments instanceof OpusArguments;
        if ($isTwice && $plan->hasVideo()) {
            return [sprintf('adelay=delays=%.3F:all=1', 1000 * $delay)];
        }
        // Of a few frames nothing would be left.
        $isLong = $plan->frameRate->rate->secondsOf($plan->frames)->toFloat() > 10 * $delay;

        return $plan->container->container->timesSound() || $delay === 0.0 || ! $isLong
            ? []
            : [sprintf('atrim=start=%.6F', $delay), 'asetpts=PTS-STARTPTS'];
    }

    /** @return list<AudioReading> tracks of the cut that go into the file */
    private static function tracks(Plan $plan, Reading $reading): array
    {
        return array_slice($reading->audio, 0, count($plan->audio->tracks));
    }

    /** Sound alone, all of it, has nothing to keep step with. */
    private function soundExcerpt(Plan $plan, Reading $reading): ?Excerpt
    {
        $excerpt = new Excerpt($reading, $plan->range);

        return $plan->hasVideo() || ! $excerpt->isWhole() ? $excerpt : null;
    }

    /** @return list<string> */
    private function file(Plan $plan, Reading $reading): array
    {
        $iso = in_array($plan->container->container->id(), ['mp4', 'mov'], true);
        $isWhole = (new Excerpt($reading, $plan->range))->isWhole();
        // A master keeps the cut's tags and start timecode. What leaves the house carries neither.
        $keeps = $plan->spec->preset->role === Role::Master;

        return [
            // Chapters help whoever reviews, and go with a master; those of a part would stand at the wrong times.
            '-sn',
            '-dn',
            '-map_chapters',
            $isWhole && ($keeps || $plan->spec->preset->role === Role::Review) ? '0' : '-1',
            ...$keeps && $reading->extras->timecode !== null
                ? ['-timecode', (string) $reading->timecode($plan->range->first)->at($plan->frameRate->rate)]
                : [],
            ...$keeps ? self::tags($plan, $reading) : ['-map_metadata', '-1', ...$iso ? ['-write_tmcd', '0'] : []],
            ...$iso ? ['-movflags', $plan->container->fastStart ? '+write_colr+faststart' : '+write_colr'] : [],
            ...$plan->container->container instanceof ImageFolder ? ['-start_number', (string) $plan->range->first] : [],
            ...$plan->container->container->options(),
            ...PictureElements::of($plan) === '' ? [] : SegmentHead::ROOM,
            '-f',
            $plan->container->container->muxer(),
        ];
    }

    /** @return list<string> those of the file and of its streams; the picture's filter is bound to none of them */
    private static function tags(Plan $plan, Reading $reading): array
    {
        $picture = $plan->hasVideo() ? $reading->mainVideo() : null;
        $sound = $plan->audio->codec === null ? [] : self::tracks($plan, $reading);
        $ofSound = array_map(
            static fn (int $i, AudioReading $track): array => [
                "-map_metadata:s:a:{$i}", "0:s:{$track->index}", "-metadata:s:a:{$i}", 'encoder=',
            ],
            array_keys($sound),
            $sound,
        );

        return [
            '-map_metadata', '0',
            ...$picture === null ? [] : ['-map_metadata:s:v:0', "0:s:{$picture->index}", '-metadata:s:v:0', 'encoder='],
            ...array_merge(...$ofSound),
        ];
    }

    /** @return list<string> where an average is asked, how coarsely each frame was coded is written down beside the file */
    private static function told(Plan $plan): array
    {
        return $plan->hasVideo() && $plan->bitrate->average !== null ? ['-vstats_file', Quantisers::FILE] : [];
    }

    private static function images(Plan $plan): ?string
    {
        $container = $plan->container->container;

        return $container instanceof ImageFolder ? $container->pattern($plan->file->name, $plan->video->codec->id()) : null;
    }
}
