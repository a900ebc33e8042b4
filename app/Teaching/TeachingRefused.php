<?php

namespace App\Teaching;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** Files that teach nothing of a host. */
final class TeachingRefused extends RuntimeException implements Refused
{
    use Declines;

    private function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public static function nothing(): self
    {
        return new self('There is no file to learn from.', 'Give the file that was uploaded, and what the host made of it.');
    }

    public static function alone(string $path): self
    {
        return new self(
            basename($path).' stands alone: there is nothing that a host made of it.',
            'Download what the host plays, in each size, and add it.',
        );
    }

    public static function twice(string $path): self
    {
        return new self(basename($path).' is given twice, or another file has the same content.', 'Take one of them out.');
    }

    public static function otherPicture(string $path, string $upload, float $alike): self
    {
        return new self(
            sprintf(
                '%s does not show what %s shows: their pictures go together by %.2f, where files of one video come to 0.9 and more.',
                basename($path),
                basename($upload),
                $alike,
            ),
            'Take it out, or give it with the upload that it was made of.',
        );
    }

    public static function tooShort(string $path): self
    {
        return new self(
            basename($path).' has a single frame, which says nothing of what a host does to movement.',
            'Use a file of some seconds.',
        );
    }

    public static function otherShape(string $path, string $upload): self
    {
        return new self(
            basename($path).' has another shape than '.basename($upload).', and cannot be laid over it to be measured.',
            'Leave it out: a host that crops is not modelled.',
        );
    }

    public static function notMade(string $path, string $codec): self
    {
        return new self(
            basename($path)." is {$codec}, which cannot be made here, so the stand-in could not do what the host does.",
            'Leave it out; the other renditions can be learnt.',
        );
    }

    public static function tooMany(int $most): self
    {
        return new self("A teaching takes {$most} files at most.", 'Leave some out, and teach by them later.');
    }

    public static function unreadable(string $why): self
    {
        return new self("The host that these files are about was stored in a way that cannot be read here: {$why}", 'Teach again.');
    }

    public static function notDone(): self
    {
        return new self('There is nothing to save yet: the files have not been looked at to the end.', 'Wait until they have.');
    }
}
