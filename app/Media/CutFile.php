<?php

namespace App\Media;

/** The file that a run was asked for: whether it is still the same when it is made, and when it is done. */
final class CutFile
{
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
