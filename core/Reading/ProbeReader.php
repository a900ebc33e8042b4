<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use InvalidArgumentException;
use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\Scan;
use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/**
 * Turns the prober's JSON (streams, format and the first packets) into a Reading.
 */
final readonly class ProbeReader
{
    private const MOST_STREAMS = 256;

    /**
     * @param  array<mixed>  $probe  the prober's JSON, decoded
     * @param  int  $bytes  size of the file
     * @param  bool|null  $fastStart  from the file's boxes
     *
     * @throws Unreadable when there is no picture, or what it claims cannot be true
     */
    public function read(array $probe, int $bytes, ?bool $fastStart): Reading
    {
        $streams = self::rows($probe, 'streams');
        $format = new Fields(is_array($probe['format'] ?? null) ? $probe['format'] : []);
        if (count($streams) > self::MOST_STREAMS) {
            throw Unreadable::absurd(count($streams).' streams');
        }
        $stated = Fraction::tryParse($format->text('duration')) ?? $this->longest($streams);
        $packets = self::rows($probe, 'packets');
        $video = [];
        $audio = [];
        foreach ($streams as $stream) {
            $type = $stream->text('codec_type');
            if ($type === 'video' && $stream->within('disposition')->int('attached_pic') !== 1) {
                $video[] = $this->video($stream, $stated, $packets);
            } elseif ($type === 'audio' && ($stream->int('sample_rate') ?? 0) > 0) {
                $audio[] = $this->audio($stream);
            }
        }
        if ($video === []) {
            throw Unreadable::noVideo();
        }
        $duration = $stated ?? $video[0]->frameRate->secondsOf($video[0]->frames);
        if ($duration->compare(0) <= 0) {
            throw Unreadable::cutShort();
        }
        [$container, $name] = CodecNames::container($format->text('format_name') ?? '', $format->within('tags')->text('major_brand'), $video[0]->codec);

        return new Reading($container, $name, $fastStart, $duration, $bytes, $video, $audio);
    }

    /** @param  list<Fields>  $packets */
    private function video(Fields $stream, ?Fraction $duration, array $packets): VideoReading
    {
        $width = $stream->int('width') ?? 0;
        $height = $stream->int('height') ?? 0;
        if ($width < 1 || $height < 1) {
            throw Unreadable::cutShort();
        }
        if ($width > 32768 || $height > 32768) {
            throw Unreadable::absurd("a picture of {$width}×{$height} pixels");
        }
        $index = $stream->int('index') ?? 0;
        $times = new PacketTimes($this->times($packets, $index));
        $variable = $times->areVariable();
        $rate = $this->rate($stream, $variable ? $times->shortestUsualGap() : null);
        $codec = $stream->text('codec_name') ?? 'unknown';
        $length = Fraction::tryParse($stream->text('duration')) ?? $duration;
        $counted = $stream->int('nb_frames') ?? $stream->int('counted_packets');
        $bitrate = $stream->int('bit_rate');

        return new VideoReading(
            index: $index,
            codec: $codec,
            codecName: CodecNames::codec($codec),
            profile: CodecNames::profile($codec, $stream->text('profile')),
            level: ($stream->int('level') ?? -1) > 0 ? $stream->int('level') : null,
            size: new FrameSize($width, $height),
            sampleAspect: self::aspect($stream->text('sample_aspect_ratio')),
            rotation: $this->rotation($stream),
            frameRate: $rate,
            variableRate: $variable,
            scan: match ($stream->text('field_order')) {
                'tt', 'tb' => Scan::TopFieldFirst,
                'bb', 'bt' => Scan::BottomFieldFirst,
                default => Scan::Progressive,
            },
            pixelFormat: PixelFormat::fromEngine($stream->text('pix_fmt') ?? '') ?? new PixelFormat(Chroma::C420, 8),
            colour: new Colour(
                self::tag($stream->text('color_primaries')),
                self::tag($stream->text('color_transfer')),
                self::tag($stream->text('color_space')),
                $stream->text('color_range') === 'pc' || str_starts_with($stream->text('pix_fmt') ?? '', 'yuvj'),
            ),
            frames: max(1, $counted ?? ($length === null ? 1 : $rate->framesIn($length))),
            bitrate: $bitrate !== null && $bitrate > 0 ? new Bitrate($bitrate) : null,
            masteringMetadata: $this->sideData($stream, 'Mastering display metadata') !== null,
            projection: $this->sideData($stream, 'Spherical Mapping')?->text('projection'),
        );
    }

    private function audio(Fields $stream): AudioReading
    {
        $codec = $stream->text('codec_name') ?? 'unknown';
        $depth = $stream->int('bits_per_raw_sample') ?? $stream->int('bits_per_sample') ?? 0;
        $bitrate = $stream->int('bit_rate') ?? 0;
        $language = $stream->within('tags')->text('language');

        return new AudioReading(
            index: $stream->int('index') ?? 0,
            codec: $codec,
            codecName: CodecNames::codec($codec),
            sampleRate: $stream->int('sample_rate') ?? 48000,
            channels: max(1, $stream->int('channels') ?? 1),
            layout: $stream->text('channel_layout'),
            bitDepth: $depth > 0 ? $depth : null,
            bitrate: $bitrate > 0 ? new Bitrate($bitrate) : null,
            language: $language === 'und' ? null : $language,
        );
    }

    /** The stated average; where frames come unevenly, the standard rate nearest to the shortest usual gap. */
    private function rate(Fields $stream, ?float $shortestGap): FrameRate
    {
        try {
            if ($shortestGap !== null) {
                return FrameRate::of((int) round(1000 / $shortestGap), 1000)->nearestStandard();
            }
            $stated = Fraction::tryParse($stream->text('avg_frame_rate')) ?? Fraction::tryParse($stream->text('r_frame_rate'));
            if ($stated === null) {
                return FrameRate::of(25);
            }
            $rate = new FrameRate($stated);
            $standard = $rate->nearestStandard();
            // A container that rounds times to milliseconds states 2997/100 or 19001/634 for 30000/1001.
            $distance = abs($standard->perSecond->toFloat() / $rate->perSecond->toFloat() - 1);

            return $distance < 0.0005 ? $standard : $rate;
        } catch (InvalidArgumentException) {
            throw Unreadable::absurd("a frame rate of {$stream->text('avg_frame_rate')}");
        }
    }

    private function rotation(Fields $stream): int
    {
        $angle = $this->sideData($stream, 'Display Matrix')?->int('rotation') ?? 0;

        // The prober counts counter-clockwise; a player turns the other way to show it upright.
        return ((-$angle % 360) + 360) % 360;
    }

    private function sideData(Fields $stream, string $type): ?Fields
    {
        foreach ($stream->rows('side_data_list') as $row) {
            if ($row->text('side_data_type') === $type) {
                return $row;
            }
        }

        return null;
    }

    /**
     * @param  list<Fields>  $packets
     * @return list<float>
     */
    private function times(array $packets, int $index): array
    {
        $times = [];
        foreach ($packets as $packet) {
            $time = $packet->text('pts_time');
            if ($packet->int('stream_index') === $index && $time !== null && is_numeric($time)) {
                $times[] = (float) $time;
            }
        }

        return $times;
    }

    /** @param  list<Fields>  $streams */
    private function longest(array $streams): ?Fraction
    {
        $longest = null;
        foreach ($streams as $stream) {
            $length = Fraction::tryParse($stream->text('duration'));
            if ($length !== null && ($longest === null || $length->compare($longest) > 0)) {
                $longest = $length;
            }
        }

        return $longest;
    }

    private static function aspect(?string $text): Fraction
    {
        $aspect = Fraction::tryParse($text);

        return $aspect === null || $aspect->compare(0) <= 0 ? new Fraction(1) : $aspect;
    }

    private static function tag(?string $value): ?string
    {
        return in_array($value, [null, 'unknown', 'reserved', 'unspecified'], true) ? null : $value;
    }

    /**
     * @param  array<mixed>  $probe
     * @return list<Fields>
     */
    private static function rows(array $probe, string $key): array
    {
        return (new Fields($probe))->rows($key);
    }
}
