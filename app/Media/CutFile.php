<?php

namespace App\Media;

use App\Models\Cut;

/** The file of a cut: whether it is still the one that was read, and the one that a run was asked for. */
final class CutFile
{
    /** A drive that does not answer is not waited for. */
    public static function stateNow(Cut $cut): FileState
    {
        if (! Drive::answers(dirname($cut->path))) {
            return FileState::Silent;
        }
        clearstatcache(true, $cut->path);

        return match (true) {
            ! is_file($cut->path) => FileState::Gone,
            filesize($cut->path) !== $cut->bytes || filemtime($cut->path) !== $cut->modified => FileState::Changed,
            default => FileState::Here,
        };
    }

    /** Whether it is there, and the one that was read. */
    public static function isHere(Cut $cut): bool
    {
        return self::stateNow($cut) === FileState::Here;
    }

    /** Whether it is another one, or gone; of one whose drive does not answer nobody can say so. */
    public static function hasChanged(Cut $cut): bool
    {
        return in_array(self::stateNow($cut), [FileState::Changed, FileState::Gone], true);
    }

    /**
     * @param  string  $todo  where it has changed or gone
     *
     * @throws FileProblem when it is not the one that was read, or cannot be looked at
     */
    public static function need(Cut $cut, string $todo): void
    {
        Drive::need(dirname($cut->path));
        self::hasChanged($cut) && throw FileProblem::changed($cut->path, $todo);
    }

    /**
     * @return array{bytes: int, modified: int, fingerprint: string}
     *
     * @throws FileProblem when the file cannot be read
     */
    public static function stateOf(string $path): array
    {
        clearstatcache(true, $path);

        return [
            'bytes' => (int) @filesize($path),
            'modified' => (int) @filemtime($path),
            'fingerprint' => Fingerprint::of($path),
        ];
    }

    /**
     * @param  array{bytes: int, modified: int, fingerprint: string}|null  $state  null where none was kept
     *
     * @throws FileProblem when it is another file now
     */
    public static function needUnchanged(string $path, ?array $state, string $cut): void
    {
        if ($state !== null && (! is_file($path) || self::stateOf($path) !== $state)) {
            throw new FileProblem(
                "The file of {$cut} has changed or gone since this was packed: nothing was made of it.",
                $path,
                'Read it again on its sheet, look at the sheet, and pack again.',
            );
        }
    }
}
