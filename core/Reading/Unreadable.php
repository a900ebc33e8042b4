<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A file that cannot be taken as a cut. The message says why and what to do, in words for a person. */
final class Unreadable extends RuntimeException implements Refused
{
    use Says;

    /**
     * @param  string  $reason a short stable id: empty, not-media, cut-short, no-video, playlist, refers-elsewhere, encrypted,
     *     too-large-to-be-true, too-many-pixels
     */
    private function __construct(private readonly string $reason, string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public function id(): string
    {
        return $this->reason;
    }

    public function status(): int
    {
        return 422;
    }

    public static function empty(): self
    {
        return new self('empty', 'The file is empty.', 'If it is still being copied or exported, wait until that is finished.');
    }

    public static function notMedia(): self
    {
        return new self(
            'not-media',
            'This is not a video file.',
            'If it is the project of an edit, export the finished cut and choose that file.',
        );
    }

    public static function cutShort(?int $bytes = null, ?int $expected = null): self
    {
        $measure =
            $bytes !== null && $expected !== null
                ? sprintf(
                    ' %s of %s bytes are there.',
                    number_format($bytes, 0, '.', "\u{202F}"),
                    number_format($expected, 0, '.', "\u{202F}"),
                )
                : ' Its index is missing.';

        return new self('cut-short', "The file is cut short.{$measure}", 'Copy or export it again.');
    }

    public static function noVideo(): self
    {
        return new self('no-video', 'There is no picture in this file, only sound or data.', 'Choose the finished cut.');
    }

    public static function playlist(): self
    {
        return new self('playlist', 'This is a list that points to other files, not a video.', 'Choose the video itself.');
    }

    public static function refersElsewhere(): self
    {
        return new self(
            'refers-elsewhere',
            'The picture of this file lies in other files that it only names.',
            'Export it again as one self-contained file.',
        );
    }

    public static function encrypted(): self
    {
        return new self('encrypted', 'The file is encrypted and its picture cannot be seen.', 'Export it again without protection.');
    }

    public static function absurd(string $what): self
    {
        return new self(
            'too-large-to-be-true',
            "The file claims {$what}, which no real video has. It is damaged or was made to mislead, and was not opened further.",
            '',
        );
    }

    /** @param  int  $pixels  in millions, that a frame may have */
    public static function tooManyPixels(int $width, int $height, int $pixels): self
    {
        return new self(
            'too-many-pixels',
            "A frame has {$width}×{$height} pixels; frames of up to {$pixels} million are read.",
            'Export it in a smaller frame size.',
        );
    }
}
