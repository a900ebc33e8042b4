<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch\Captions;

use InvalidArgumentException;
use OuterCrate\Dispatch\Remark;

/** Captions as they are read from SubRip or WebVTT, and sent as WebVTT (W3C, WebVTT 1, 4). */
final readonly class CaptionFile
{
    /** Characters a second that most people can read (17 to 20 are usual in the trade). */
    private const READABLE = 20.0;

    private const TIME = '(?:(\d{1,3}):)?(\d\d):(\d\d)[.,](\d{3})';

    /** Problems of one kind that are told one by one. */
    private const TOLD = 3;

    /** @param  non-empty-list<Cue>  $cues */
    private function __construct(public array $cues)
    {
    }

    /** @throws InvalidArgumentException when there are no captions in it */
    public static function read(string $text): self
    {
        $text = (string) preg_replace('~^\xEF\xBB\xBF~', '', str_replace(["\r\n", "\r"], "\n", $text));
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw new InvalidArgumentException('The captions are not written in UTF-8. Save them so, then choose the file again.');
        }
        $cues = [];
        foreach (preg_split('~\n{2,}~', trim($text)) ?: [] as $block) {
            if (preg_match('~^(?:[^\n]*\n)?'.self::TIME.'\s*-->\s*'.self::TIME.'[^\n]*\n?(.*)$~s', $block, $m) === 1) {
                $cues[] = new Cue(self::seconds(array_slice($m, 1, 4)), self::seconds(array_slice($m, 5, 4)), trim($m[9]));
            }
        }

        return $cues === []
            ? throw new InvalidArgumentException('There are no captions in it. It has to be SubRip (.srt) or WebVTT (.vtt).')
            : new self($cues);
    }

    public function toVtt(): string
    {
        $time = static fn (float $seconds): string => sprintf(
            '%02d:%02d:%06.3f', intdiv((int) $seconds, 3600), intdiv((int) $seconds, 60) % 60, fmod($seconds, 60),
        );

        return "WEBVTT\n\n".implode("\n\n", array_map(
            // Two dashes and an arrow would end a cue's words.
            static fn (Cue $cue): string => "{$time($cue->from)} --> {$time($cue->to)}\n".str_replace('-->', '→', $cue->text),
            $this->cues,
        ))."\n";
    }

    /**
     * @param  float  $length  seconds of the video
     * @return list<Remark>
     */
    public function remarks(float $length): array
    {
        $found = ['order' => [], 'overlap' => [], 'empty' => [], 'length' => [], 'speed' => []];
        foreach ($this->cues as $i => $cue) {
            $before = $this->cues[$i - 1] ?? null;
            $at = gmdate($cue->from >= 3600 ? 'G:i:s' : 'i:s', (int) $cue->from);
            $shown = $cue->to - $cue->from;
            match (true) {
                $shown <= 0 => $found['empty'][] = $at,
                $before !== null && $cue->from < $before->from => $found['order'][] = $at,
                $before !== null && $cue->from < $before->to - 0.0005 => $found['overlap'][] = $at,
                $cue->from >= $length => $found['length'][] = $at,
                $cue->characters() / $shown > self::READABLE => $found['speed'][] = $at,
                default => null,
            };
        }

        return array_values(array_filter([
            self::told($found['empty'], 'stop', 'ends before it begins', 'Correct its times.'),
            self::told($found['order'], 'stop', 'comes before the one that stands above it', 'Put them in the order of their times.'),
            self::told($found['overlap'], 'caution', 'begins while another is shown', 'Let one end before the next begins.'),
            self::told($found['length'], 'caution', 'begins after the end of the video', 'They may belong to another cut.'),
            self::told(
                $found['speed'],
                'caution',
                'is too fast to be read (more than '.self::READABLE.' characters a second)',
                'Show it longer, or say less.',
            ),
        ]));
    }

    /** @param  list<string>  $at */
    private static function told(array $at, string $severity, string $what, string $todo): ?Remark
    {
        if ($at === []) {
            return null;
        }
        $more = count($at) - self::TOLD;
        $text = "A caption {$what}: at ".implode(', ', array_slice($at, 0, self::TOLD)).($more > 0 ? " and {$more} more." : '.');

        return $severity === 'stop' ? Remark::stop('captions', $text, $todo) : Remark::caution('captions', $text, $todo);
    }

    /** @param  list<string>  $parts  hours, minutes, seconds, thousandths */
    private static function seconds(array $parts): float
    {
        return 3600 * (int) $parts[0] + 60 * (int) $parts[1] + (int) $parts[2] + (int) $parts[3] / 1000;
    }
}
