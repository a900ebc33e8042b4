<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Analysis\FieldSample;
use OuterCrate\Analysis\Glance;
use OuterCrate\Analysis\Gradient;
use OuterCrate\Analysis\Grain;
use OuterCrate\Analysis\LightMeter;
use OuterCrate\Analysis\Measure;
use OuterCrate\Analysis\MeasuredFile;
use OuterCrate\Analysis\Measurements;
use OuterCrate\Analysis\Segment;
use OuterCrate\Encoding\Filters\MixDown;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/**
 * What the engine is asked for one segment: it decodes once and writes what the detectors look at into small files of a working
 * folder, and with them a small proxy of the picture. Measurements reads those files.
 */
final readonly class MeasuringPass
{
    /** Longer side of the proxy in pixels. */
    public const PROXY_SIDE = 640;

    /** Frames from one keyframe of the proxy to the next: seeking is to be quick. */
    private const PROXY_GOP = 10;

    /** Detail is measured on a picture that fits in here. */
    private const DETAIL_SIDE = 480;

    /** Width of the strip whose fields are looked at, in full height. */
    private const STRIP = 480;

    /** Seconds that short-term loudness reaches back (EBU Tech 3341, 2.2). */
    private const SOUND_LEAD = 3;

    /** One frame more at the front, so that differences can be told from the first frame on. */
    public int $lead;

    private VideoReading $video;

    public function __construct(private Reading $reading, private Segment $segment, private bool $proxy)
    {
        $this->lead = $segment->isFirst() ? 0 : 1;
        $this->video = $reading->mainVideo() ?? throw new \InvalidArgumentException('There is no picture to measure.');
    }

    /** Tenths of a second of sound at the front that only lead in. */
    public function soundLead(): int
    {
        return min(self::SOUND_LEAD * 10, $this->segment->sound()[0]->times(10)->floor());
    }

    /** @return list<list<string>> options before each input; every input is the cut */
    public function inputs(): array
    {
        return [$this->pictureExcerpt()->input(), ...$this->hasSound() ? [$this->soundExcerpt()->input()] : []];
    }

    /** @return list<string> everything after the inputs, with output files by name in the working folder */
    public function arguments(): array
    {
        $raw = static fn (string $name): array => ['-map', "[{$name}]", '-fps_mode', 'passthrough', '-f', 'rawvideo', $name];

        return [
            '-filter_complex',
            implode(';', [...$this->picture(), ...$this->hasSound() ? $this->sound() : []]),
            ...$raw(MeasuredFile::GLANCES),
            ...$raw(MeasuredFile::FIELDS),
            ...$raw(MeasuredFile::ROWS),
            ...$raw(MeasuredFile::COLUMNS),
            ...$raw(MeasuredFile::GRADIENTS),
            ...$raw(MeasuredFile::GRAIN),
            ...$this->hasSound()
                ? ['-map', '[loudnessend]', '-map', '[peaksend]', ...$this->mix() === null ? [] : ['-map', '[mixend]'], '-f', 'null', '-']
                : [],
            ...$this->proxy ? $this->proxyArguments() : [],
        ];
    }

    private function hasSound(): bool
    {
        [$start, $end] = $this->segment->sound();

        return $this->reading->mainAudio() !== null && $end->compare($start) > 0;
    }

    private function pictureExcerpt(): Excerpt
    {
        $range = $this->segment->range;

        return new Excerpt($this->reading, new FrameRange($range->first - $this->lead, $range->last));
    }

    private function soundExcerpt(): Excerpt
    {
        return new Excerpt($this->reading, $this->segment->range, self::SOUND_LEAD + 2);
    }

    /** @return list<string> */
    private function picture(): array
    {
        $second = Segment::framesPerSecond($this->video->frameRate);
        $step = Segment::fieldStep($this->video->frameRate);
        $viewing = new Viewing($this->video);
        $detail = $this->video->uprightSize()->fitInside(new \OuterCrate\Units\FrameSize(self::DETAIL_SIDE, self::DETAIL_SIDE));
        $parts = MeasuredFile::PARTS;
        $print = static fn (string $file): string => "metadata=mode=print:file={$file}";
        $light = LightMeter::chain($this->video, $print(MeasuredFile::LIGHT));
        $chains = [
            "[0:{$this->video->index}]".
            implode(',', $this->pictureExcerpt()->picture()).
            ',split='.
            (3 + ($this->proxy ? 1 : 0) + ($light === [] ? 0 : 1)).
            '[a][b][c]'.
            ($this->proxy ? '[d]' : '').
            ($light === [] ? '' : '[light]'),
            "[a]crop=w='min(iw,".self::STRIP.")':h='min(ih,".FieldSample::MOST_LINES.")':y='4*floor((ih-oh)/8)',split=2[i][j]",
            '[i]idet,'.$print(MeasuredFile::REPEATS).',nullsink',
            "[j]select='lt(mod(n+".
            ($this->segment->range->first - $this->lead).
            ",{$step}),2)',scale=".
            FieldSample::COLUMNS.
            ':ih:flags=area,format=gray['.
            MeasuredFile::FIELDS.
            ']',
            "[b]select='eq(mod(n-{$this->lead},{$second}),0)',split=4[e][f][g][h]",
            "[e]crop=w='min(iw,".
            Grain::WIDTH.
            ")':h='min(ih,".
            Grain::HEIGHT.
            ")',format=gray,scale=".
            Grain::WIDTH.
            ':'.
            Grain::HEIGHT.
            ':flags=neighbor['.
            MeasuredFile::GRAIN.
            ']',
            "[f]scale={$parts}:ih:flags=area,format=gray[".MeasuredFile::ROWS.']',
            "[g]scale=iw:{$parts}:flags=area,format=gray[".MeasuredFile::COLUMNS.']',
            '[h]scale='.Gradient::WIDTH.':'.Gradient::HEIGHT.':flags=area,format=gray['.MeasuredFile::GRADIENTS.']',
            // Grey has full range, which spares siti the costly conversion of every pixel.
            "[c]scale={$detail->width}:{$detail->height}:flags=area,format=gray,siti,".
            $print(MeasuredFile::DETAIL).
            ',scale='.
            Glance::WIDTH.
            ':'.
            Glance::HEIGHT.
            ':flags=area,format=gray['.
            MeasuredFile::GLANCES.
            ']',
        ];
        array_push($chains, ...$light);
        if ($this->proxy) {
            $chains[] =
                '[d]'.
                implode(',', [
                    ...$viewing->progressive(),
                    "trim=start_frame={$this->lead}",
                    ...$viewing->asVideo($viewing->size(self::PROXY_SIDE), 'fast_bilinear'),
                ]).
                '[proxy]';
        }

        return $chains;
    }

    /** @return list<string> */
    private function sound(): array
    {
        [$start, $end] = $this->segment->sound();
        $samples = intdiv(48_000, Measure::PEAKS_PER_SECOND);
        $index = $this->reading->mainAudio()->index ?? 0;
        $print = static fn (string $file): string => "ametadata=mode=print:file={$file}";
        $length = $end->minus($start);
        $mix = $this->mix();

        return [
            "[1:{$index}]".
            implode(',', [
                ...$this->soundExcerpt()->soundBetween($start->minus(new Fraction($this->soundLead(), 10)), $end),
                'aresample=48000',
            ]).
            ($mix === null ? ',asplit=2[l][p]' : ',asplit=3[l][p][m]'),
            ...$mix === null ? [] : ["[m]{$mix},ebur128=metadata=1:peak=true:framelog=verbose,".$print(MeasuredFile::MIX).'[mixend]'],
            '[l]ebur128=metadata=1:peak=true:framelog=verbose,'.$print(MeasuredFile::LOUDNESS).'[loudnessend]',
            '[p]atrim=start='.
            sprintf('%.1f', $this->soundLead() / 10).
            ',asetpts=PTS-STARTPTS,atrim=end='.
            sprintf('%.1f', $length->toFloat()).
            ",asetnsamples=n={$samples}:p=1,astats=metadata=1:reset=1:measure_perchannel=none:measure_overall=Peak_level+RMS_level,".
            $print(MeasuredFile::PEAKS).
            '[peaksend]',
        ];
    }

    /** What the sound becomes in stereo; null where it has no more than two channels. */
    private function mix(): ?string
    {
        $audio = $this->reading->mainAudio();

        return $audio === null || $audio->channels <= 2 ? null : MixDown::filter($audio, 2, 0.0);
    }

    /** @return list<string> */
    private function proxyArguments(): array
    {
        $gop = self::PROXY_GOP;

        return [
            '-map', '[proxy]', '-fps_mode', 'passthrough', '-c:v', 'libx264', '-preset', 'ultrafast', '-crf', '25', '-x264-params',
            "keyint={$gop}:min-keyint={$gop}:scenecut=0:bframes=0",
            '-f',
            'h264',
            MeasuredFile::PROXY,
        ];
    }
}
