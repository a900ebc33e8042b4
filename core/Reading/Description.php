<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Formats\Picture\Cicp;
use OuterCrate\Reading\Packets\Clock;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** Everything that a reading holds, in words, with a standard's number beside its word. */
final readonly class Description
{
    /** @return list<array{title: string, facts: list<array{name: string, text: string}>}> */
    public static function of(Reading $reading): array
    {
        $groups = [self::group('File', self::file($reading))];
        foreach ($reading->video as $i => $video) {
            $number = count($reading->video) > 1 ? ' '.($i + 1) : '';
            $groups[] = self::group("Picture{$number}", self::picture($video, $reading));
            $groups[] = self::group("Colour{$number}", self::colour($video));
            $groups[] = self::group("Structure{$number}", self::structure($video));
        }
        foreach ($reading->audio as $i => $audio) {
            $groups[] = self::group(count($reading->audio) > 1 ? 'Audio '.($i + 1) : 'Audio', self::sound($audio));
        }
        $groups[] = self::group('Beside them', self::extras($reading->extras));
        $groups[] = self::group('Tags', $reading->extras->tags);

        return array_values(array_filter($groups, static fn (array $group): bool => $group['facts'] !== []));
    }

    /** @return array<string, string|null> */
    private static function file(Reading $reading): array
    {
        return [
            'Container' => $reading->containerName,
            'Brands' => implode(', ', array_map(trim(...), $reading->extras->brands)) ?: null,
            'Index' => match ($reading->fastStart) {
                true => 'before the media (fast start)',
                false => 'after the media',
                null => null,
            },
            'Length' => new Duration($reading->duration).
                ' ('.
                rtrim(rtrim(number_format($reading->duration->toFloat(), 3, '.', ''), '0'), '.').
                "\u{2009}s)",
            'Size' => number_format($reading->bytes, 0, '.', "\u{202F}").' bytes',
            'Rate of it all' => (string) $reading->bitrate(),
            'Start timecode' => $reading->extras->timecode === null
                    ? null
                    : (string) $reading->extras->timecode.($reading->extras->timecode->dropFrame ? ', drop-frame' : ''),
        ];
    }

    /** @return array<string, string|null> */
    private static function picture(VideoReading $video, Reading $reading): array
    {
        $coded = $video->codedSize->equals($video->size) ? null : (string) $video->codedSize;
        $shown = $video->displaySize()->equals($video->size) ? null : (string) $video->displaySize();

        return [
            'Codec' => $video->label(),
            'Level' => CodecNames::level($video->codec, $video->level),
            'Codec string' => $video->codecs,
            'Frame size' => (string) $video->size,
            'Coded size' => $coded,
            'Shown as' => $shown,
            'Pixel shape' => $video->hasSquarePixels() ? 'square' : str_replace('/', ':', (string) $video->sampleAspect),
            'Picture shape' => $video->displayAspect()->numerator.':'.$video->displayAspect()->denominator,
            'Turned by' => $video->rotation === 0 ? null : "{$video->rotation}° clockwise",
            'Frame rate' => $video->frameRate->label().
                ((string) $video->frameRate === $video->frameRate->label() ? '' : " ({$video->frameRate})").
                ($video->variableRate ? ', variable' : ', constant'),
            'Nominal rate' => $video->nominalRate === null || $video->nominalRate->equals($video->frameRate->perSecond)
                    ? null
                    : (string) $video->nominalRate,
            'Frames' => number_format($video->frames, 0, '.', "\u{202F}"),
            'Clock' => match ($video->clock) {
                Clock::Told => null,
                Clock::Counted => 'none: frames are counted',
                Clock::Broken => "broken: {$video->sharedTimes} frames claim the time of another",
            },
            'Scan' => $video->scan->label(),
            'Rate' => (string) ($video->bitrate ?? $reading->videoBitrate()),
            'Around the viewer' => $video->projection,
            'Two eyes' => $video->stereo === 'mono' ? null : $video->stereo,
            'Captions in the picture' => $video->captions ? 'yes' : null,
        ];
    }

    /** @return array<string, string|null> */
    private static function colour(VideoReading $video): array
    {
        return [
            'Samples' => "{$video->pixelFormat->bitDepth}-bit {$video->pixelFormat->chroma->value}".
                ($video->pixelFormat->alpha ? ' with alpha' : ''),
            'Primaries' => Cicp::primaries($video->colour->primaries),
            'Transfer' => Cicp::transfer($video->colour->transfer),
            'Matrix' => Cicp::matrix($video->colour->matrix),
            'Range' => $video->colour->fullRange ? 'full' : 'limited',
            'Chroma lies' => $video->chromaLocation,
            'Graded on' => $video->mastering?->label(),
            'Light' => $video->contentLight?->label(),
        ];
    }

    /** @return array<string, string|null> */
    private static function structure(VideoReading $video): array
    {
        $gop = $video->gop;
        if ($gop === null || $gop->frames === 1) {
            return ['Keyframes' => $gop?->label($video->frameRate)];
        }

        return [
            'Keyframes' => "every {$gop->frames} frames at most (".
                rtrim(rtrim(number_format($video->frameRate->secondsOf($gop->frames)->toFloat(), 2, '.', ''), '0'), '.').
                "\u{2009}s)",
            'GOP' => match ($gop->closed) {
                true => 'closed',
                false => 'open',
                null => 'only one',
            },
            'B-frames in a row' => $gop->bFrames.($gop->pyramid ? ', in a pyramid' : ''),
            'References' => $video->references === null ? null : (string) $video->references,
        ];
    }

    /** @return array<string, string|null> */
    private static function sound(AudioReading $audio): array
    {
        return [
            'Codec' => $audio->codecName,
            'Codec string' => $audio->codecs,
            'Sample rate' => AudioReading::kilohertz($audio->sampleRate),
            'Channels' => $audio->channels.($audio->layout === null ? '' : " ({$audio->layout})"),
            'Bit depth' => $audio->bitDepth === null ? null : (string) $audio->bitDepth,
            'Rate' => $audio->bitrate === null ? null : (string) $audio->bitrate,
            'Language' => $audio->language,
        ];
    }

    /** @return array<string, string|null> */
    private static function extras(Extras $extras): array
    {
        return [
            'Captions' => implode(
                ', ',
                array_map(
                    static fn (array $c): string => $c['codec'].($c['language'] === null ? '' : " ({$c['language']})"),
                    $extras->captions,
                ),
            ) ?:
                null,
            'Chapters' => implode(
                ', ',
                array_map(
                    static fn (array $c): string => trim(
                        $c['title'].' at '.new Duration(new Fraction((int) round($c['start'] * 1000), 1000)),
                    ),
                    array_slice($extras->chapters, 0, 40),
                ),
            ) ?:
                null,
            'Attachments' => implode(', ', array_map(
                static fn (array $a): string => "{$a['name']} ({$a['type']})",
                $extras->attachments,
            )) ?: null,
        ];
    }

    /**
     * @param  array<string, string|null>  $facts
     * @return array{title: string, facts: list<array{name: string, text: string}>}
     */
    private static function group(string $title, array $facts): array
    {
        $said = [];
        foreach ($facts as $name => $text) {
            if ($text !== null && $text !== '') {
                $said[] = ['name' => (string) $name, 'text' => $text];
            }
        }

        return ['title' => $title, 'facts' => $said];
    }
}
