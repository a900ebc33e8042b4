<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use InvalidArgumentException;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Reading\Boxes\CodecString;
use OuterCrate\Reading\Packets\Clock;
use OuterCrate\Reading\Packets\FrameTimes;
use OuterCrate\Reading\Packets\Gop;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\NumberTooLarge;
use OuterCrate\Units\Timecode;

/**
 * Turns what was found in a file into a Reading: the prober's JSON (streams, format, chapters, the first frame) and, under `boxes`
 * and `orders`, what the file's own boxes and the times of its packets said.
 */
final readonly class ProbeReader
{
    private const MOST_STREAMS = 256;

    private const MOST_TAGS = 60;

    /**
     * @param  array<mixed>  $probe  the prober's JSON, decoded
     * @param  int  $bytes  size of the file
     * @param  bool|null  $fastStart  from the file's boxes
     * @param  bool  $needsPicture  false for a file that may hold sound alone
     *
     * @throws Unreadable when there is no picture, or what it claims cannot be true
     */
    public function read(array $probe, int $bytes, ?bool $fastStart, bool $needsPicture = true): Reading
    {
        try {
            return $this->found($probe, $bytes, $fastStart, $needsPicture);
        } catch (NumberTooLarge) {
            throw Unreadable::absurd('a number of more than 64 bits');
        }
    }

    /**
     * @param  Fields  $document  what read() takes, by name
     *
     * @throws Unreadable as read() does
     * @throws MissingPart when it is no such document
     */
    public function stored(Fields $document): Reading
    {
        return $this->read($document->within('probe')->all(), $document->needInt('bytes'), $document->bool('fastStart'));
    }

    /** @param  array<mixed>  $probe */
    private function found(array $probe, int $bytes, ?bool $fastStart, bool $needsPicture): Reading
    {
        $streams = self::rows($probe, 'streams');
        $format = new Fields(is_array($probe['format'] ?? null) ? $probe['format'] : []);
        if (count($streams) > self::MOST_STREAMS) {
            throw Unreadable::absurd(count($streams).' streams');
        }
        $stated = Fraction::tryParse($format->text('duration')) ?? $this->longest($streams);
        $video = [];
        $audio = [];
        foreach ($streams as $stream) {
            if (self::isVideo($stream)) {
                $video[] = $this->video($stream, $stated, $probe);
            } elseif ($stream->text('codec_type') === 'audio' && ($stream->int('sample_rate') ?? 0) > 0) {
                $audio[] = $this->audio($stream, self::boxesOf($probe, $stream));
            }
        }
        if ($video === [] && ($needsPicture || $audio === [])) {
            throw Unreadable::noVideo();
        }
        $duration = self::duration($stated, $video[0] ?? null, $audio !== []);
        if ($duration->compare(0) <= 0) {
            throw Unreadable::cutShort();
        }
        [$container, $name] = CodecNames::container(
            $format->text('format_name') ?? '',
            $format->within('tags')->text('major_brand'),
            (new Fields($probe))->text('docType'),
        );

        return new Reading(
            container: $container,
            containerName: $name,
            fastStart: $fastStart,
            duration: $duration,
            bytes: $bytes,
            video: $video,
            audio: $audio,
            extras: $this->extras($probe, $streams, $video[0]->frameRate ?? FrameRate::of(25)),
        );
    }

    /** What the file states, unless its clock is worth nothing: then it is at least as long as its frames. */
    private static function duration(?Fraction $stated, ?VideoReading $video, bool $hasAudio): Fraction
    {
        $ofFrames = $video === null ? new Fraction(0) : $video->frameRate->secondsOf($video->length);
        if ($stated === null || ($video?->clock->isByCount() === true && (! $hasAudio || $stated->compare($ofFrames) < 0))) {
            return $ofFrames;
        }

        return $stated;
    }

    /**
     * Index of the first stream that is a picture; null where there is none. Covers are none.
     *
     * @param  array<mixed>  $probe  the prober's JSON, decoded
     */
    public static function firstVideo(array $probe): ?int
    {
        foreach (self::rows($probe, 'streams') as $stream) {
            if (self::isVideo($stream)) {
                return $stream->int('index') ?? 0;
            }
        }

        return null;
    }

    /**
     * Streams whose frames have no times in a movie's boxes: their packets have to be read.
     *
     * @param  array<mixed>  $probe  the prober's JSON, decoded, with `boxes`
     * @return list<int>
     */
    public static function untimed(array $probe): array
    {
        $untimed = [];
        foreach (self::rows($probe, 'streams') as $stream) {
            if (self::isVideo($stream) && self::boxesOf($probe, $stream)->within('times')->all() === []) {
                $untimed[] = $stream->int('index') ?? 0;
            }
        }

        return $untimed;
    }

    private static function isVideo(Fields $stream): bool
    {
        return $stream->text('codec_type') === 'video' && $stream->within('disposition')->int('attached_pic') !== 1;
    }

    /** @param  array<mixed>  $probe */
    private function video(Fields $stream, ?Fraction $duration, array $probe): VideoReading
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
        $track = self::boxesOf($probe, $stream);
        [$gop, $times, $whole] = $this->order($probe, $index, $track);
        $rate = $this->rate($stream, $times);
        $codec = $stream->text('codec_name') ?? 'unknown';
        $length = Fraction::tryParse($stream->text('duration')) ?? $duration;
        $counted = $whole ? $times->frames : $stream->int('nb_frames');
        $frames = max(1, $counted ?? ($length === null ? 1 : $rate->framesIn($length)));
        $bitrate = $stream->int('bit_rate');
        $frame = (new Fields($probe))->within('first_frame');
        $frame = $frame->int('stream_index') === $index ? $frame : new Fields([]);
        $mastering = self::sideData([$stream, $frame], 'Mastering display metadata');
        $light = self::sideData([$stream, $frame], 'Content light level metadata');
        $size = new FrameSize($width, $height);

        return new VideoReading(
            index: $index,
            codec: $codec,
            codecName: CodecNames::codec($codec),
            profile: CodecNames::profile($codec, $stream->text('profile')),
            level: ($stream->int('level') ?? -1) > 0 ? $stream->int('level') : null,
            codecs: $track->text('codecs') ??
                ($codec === 'h264' && $stream->has('extradata') ? CodecString::of('avc1', ['avcC' => self::extradata($stream)]) : null),
            size: $size,
            codedSize: self::codedSize($stream, $size),
            sampleAspect: self::aspect($stream->text('sample_aspect_ratio')),
            rotation: $this->rotation($stream),
            frameRate: $rate,
            nominalRate: Fraction::tryParse($stream->text('r_frame_rate')),
            variableRate: $times->variable,
            clock: $times->clock(),
            sharedTimes: $times->shared,
            starts: $times->clock()->isByCount() ? new Fraction(0) : self::starts($stream, (new Fields($probe))->within('format')),
            scan: self::scan($stream, $frame),
            pixelFormat: PixelFormat::fromEngine($stream->text('pix_fmt') ?? '') ?? new PixelFormat(Chroma::C420, 8),
            pixelFormatName: $stream->text('pix_fmt') ?? 'unknown',
            colour: new Colour(
                self::tag($stream->text('color_primaries')),
                self::tag($stream->text('color_transfer')),
                self::tag($stream->text('color_space')),
                self::isFullRange($stream),
            ),
            chromaLocation: self::tag($stream->text('chroma_location')),
            frames: $frames,
            length: $whole ? max(1, $times->length($rate)) : $frames,
            bitrate: $bitrate !== null && $bitrate > 0 ? new Bitrate($bitrate) : null,
            mastering: $mastering === null ? null : MasteringDisplay::fromProbe($mastering),
            contentLight: $light === null ? null : ContentLight::told($light->int('max_content') ?? 0, $light->int('max_average') ?? 0),
            projection: $track->text('projection') ?? self::sideData([$stream], 'Spherical Mapping')?->text('projection'),
            stereo: $track->text('stereo') ?? self::stereo($stream),
            gop: $gop,
            references: $codec === 'h264' ? AvcParameters::references(self::extradata($stream)) : null,
            captions: $stream->int('closed_captions') === 1 || self::sideData([$frame], 'ATSC A53 Part 4 Closed Captions') !== null,
        );
    }

    /** RGB samples use the full range unless something says otherwise; not every file that holds them says so. */
    private static function isFullRange(Fields $stream): bool
    {
        $name = $stream->text('pix_fmt') ?? '';
        $isRgb = PixelFormat::fromEngine($name)?->chroma === Chroma::Rgb;

        return $stream->text('color_range') === 'pc' || str_starts_with($name, 'yuvj') || ($isRgb && $stream->text('color_range') !== 'tv');
    }

    /**
     * Structure and times of a stream: from the file's boxes, else from its packets.
     *
     * @param  array<mixed>  $probe
     * @return array{?Gop, FrameTimes, bool} whether every frame was seen
     */
    private function order(array $probe, int $index, Fields $track): array
    {
        $packets = (new Fields($probe))->within('orders')->within((string) $index);
        $known = $track->within('times')->all() === [] ? $packets : $track;
        $gop = $known->within('gop')->all();
        $whole = $known === $track || $packets->bool('whole') === true;

        return [$gop === [] ? null : Gop::fromArray($gop), FrameTimes::fromFields($known->within('times')), $whole];
    }

    /** Streams say it in their header; where they do not, the first frame does. */
    private static function scan(Fields $stream, Fields $frame): Scan
    {
        return match ($stream->text('field_order')) {
            'tt', 'tb' => Scan::TopFieldFirst,
            'bb', 'bt' => Scan::BottomFieldFirst,
            'progressive' => Scan::Progressive,
            default => $frame->int('interlaced_frame') !== 1
                ? Scan::Progressive
                : ($frame->int('top_field_first') === 1
                    ? Scan::TopFieldFirst
                    : Scan::BottomFieldFirst),
        };
    }

    private static function codedSize(Fields $stream, FrameSize $shown): FrameSize
    {
        $width = $stream->int('coded_width') ?? 0;
        $height = $stream->int('coded_height') ?? 0;

        return $width >= $shown->width && $height >= $shown->height && $width <= 40_000 && $height <= 40_000
            ? new FrameSize($width, $height)
            : $shown;
    }

    /** The engine counts time from the earliest stream of the file. */
    private static function starts(Fields $stream, Fields $format): Fraction
    {
        $own = Fraction::tryParse($stream->text('start_time')) ?? new Fraction(0);
        $file = Fraction::tryParse($format->text('start_time')) ?? new Fraction(0);
        $late = $own->minus($file);

        return $late->compare(0) > 0 && $late->compare(3600) < 0 ? $late : new Fraction(0);
    }

    private static function stereo(Fields $stream): ?string
    {
        return match (self::sideData([$stream], 'Stereo 3D')?->text('type')) {
            'top and bottom' => 'top-bottom',
            'side by side' => 'left-right',
            '2D' => 'mono',
            default => null,
        };
    }

    /**
     * @param  array<mixed>  $probe
     * @param  list<Fields>  $streams
     */
    private function extras(array $probe, array $streams, FrameRate $rate): Extras
    {
        $captions = [];
        $attachments = [];
        $format = (new Fields($probe))->within('format');
        $stated = [$format->within('tags')->text('timecode')];
        foreach ($streams as $stream) {
            $tags = $stream->within('tags');
            $stated[] = $tags->text('timecode');
            $language = $tags->text('language');
            if ($stream->text('codec_type') === 'subtitle') {
                $captions[] = ['codec' => $stream->text('codec_name') ?? 'unknown', 'language' => $language === 'und' ? null : $language];
            } elseif ($stream->text('codec_type') === 'attachment' || $stream->within('disposition')->int('attached_pic') === 1) {
                $attachments[] = [
                    'name' => self::short($tags->text('filename') ?? ($tags->text('comment') ?? 'untitled')),
                    'type' => self::short($tags->text('mimetype') ?? ($stream->text('codec_name') ?? 'unknown')),
                ];
            }
        }
        $chapters = [];
        foreach (array_slice(self::rows($probe, 'chapters'), 0, 1000) as $chapter) {
            $chapters[] = [
                'start' => $chapter->float('start_time') ?? 0.0,
                'title' => self::short($chapter->within('tags')->text('title') ?? ''),
            ];
        }
        $tags = [];
        foreach (array_slice($format->within('tags')->all(), 0, self::MOST_TAGS, true) as $name => $value) {
            if (is_scalar($value) && ! in_array($name, ['major_brand', 'minor_version', 'compatible_brands'], true)) {
                $tags[self::short((string) $name)] = self::short((string) $value);
            }
        }
        $brands = (new Fields($probe))->within('boxes')->texts('brands');

        return new Extras(
            brands: $brands,
            timecode: self::timecode(array_values(array_filter($stated)), $rate),
            captions: $captions,
            chapters: $chapters,
            attachments: $attachments,
            tags: $tags,
        );
    }

    /** @param  list<string>  $stated */
    private static function timecode(array $stated, FrameRate $rate): ?Timecode
    {
        foreach ($stated as $text) {
            try {
                return Timecode::parse($text, $rate);
            } catch (InvalidArgumentException) {
                continue;
            }
        }

        return null;
    }

    /** The decoder's configuration, from the prober's listing in hexadecimal. */
    private static function extradata(Fields $stream): string
    {
        preg_match_all('~^[0-9a-f]{8}: ((?:[0-9a-f]{2,4} ){1,8})~m', $stream->text('extradata') ?? '', $rows);

        return (string) hex2bin(str_replace(' ', '', implode('', $rows[1])));
    }

    private static function short(string $text): string
    {
        return mb_strimwidth(mb_scrub($text), 0, 1000, '…');
    }

    /**
     * What the file's boxes say of a stream's track.
     *
     * @param  array<mixed>  $probe
     */
    private static function boxesOf(array $probe, Fields $stream): Fields
    {
        $id = $stream->text('id') ?? '';
        foreach ((new Fields($probe))->within('boxes')->rows('tracks') as $track) {
            if (preg_match('~^0x[0-9a-f]{1,8}$~', $id) === 1 && $track->int('id') === hexdec($id)) {
                return $track;
            }
        }

        return new Fields([]);
    }

    private function audio(Fields $stream, Fields $track): AudioReading
    {
        $codec = $stream->text('codec_name') ?? 'unknown';
        $depth = $stream->int('bits_per_raw_sample') ?? ($stream->int('bits_per_sample') ?? 0);
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
            codecs: $track->text('codecs'),
        );
    }

    /**
     * The rate of the frames: the usual gap between them, which a header may round and one held frame makes wrong on average. Where
     * they come unevenly, the standard rate nearest to the shortest usual gap; where no times are, what the header states.
     */
    private function rate(Fields $stream, FrameTimes $times): FrameRate
    {
        $average = Fraction::tryParse($stream->text('avg_frame_rate'));
        $nominal = Fraction::tryParse($stream->text('r_frame_rate'));
        try {
            if ($times->variable && $times->shortestGap !== null) {
                return FrameRate::of((int) round(1000 / $times->shortestGap), 1000)->nearestStandard();
            }
            if ($times->usualGap !== null && $times->clock() !== Clock::Broken) {
                $tick = Fraction::tryParse($stream->text('time_base'))?->toFloat() ?? 0.001;

                return SettledRate::of($times->usualGap, $tick / $times->usualGaps, array_values(array_filter([$nominal, $average])));
            }
            // A byte stream or a broken clock makes the average anything.
            $stated = $times->clock()->isByCount() ? $nominal ?? $average : $average ?? $nominal;

            return $stated === null ? FrameRate::of(25) : SettledRate::standardOf(new FrameRate($stated));
        } catch (InvalidArgumentException) {
            throw Unreadable::absurd("a frame rate of {$stream->text('avg_frame_rate')}");
        }
    }

    private function rotation(Fields $stream): int
    {
        $angle = self::sideData([$stream], 'Display Matrix')?->int('rotation') ?? 0;

        // The prober counts counter-clockwise; a player turns the other way to show it upright.
        return ((-$angle % 360) + 360) % 360;
    }

    /** @param  list<Fields>  $places where it may be said */
    private static function sideData(array $places, string $type): ?Fields
    {
        foreach ($places as $place) {
            foreach ($place->rows('side_data_list') as $row) {
                if ($row->text('side_data_type') === $type) {
                    return $row;
                }
            }
        }

        return null;
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
