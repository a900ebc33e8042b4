<?php

namespace App\Settings;

use App\Media\AllowedFolder;
use App\Media\Drive;

/** The folders that cuts may be brought in from. */
final class MediaFoldersList implements Entry
{
    use Configured;

    public function name(): string
    {
        return 'mediaFolders';
    }

    public function configured(): string
    {
        return 'crate.media_folders';
    }

    /** @return list<string> */
    public function checked(mixed $value): array
    {
        $folders = array_values(array_filter(array_map(
            fn (mixed $folder): string => is_string($folder) ? (rtrim(trim($folder), '/') ?: trim($folder)) : '',
            is_array($value) ? $value : [],
        )));
        foreach ($folders as $folder) {
            if (str_starts_with($folder, '/') && ! Drive::answers($folder)) {
                // One that was looked at when it was set stays in the list until its drive is back.
                in_array($folder, (array) $this->current(), true) ?: throw SettingRefused::silent($folder);

                continue;
            }
            if (! str_starts_with($folder, '/') || str_contains($folder, "\0") || ! is_dir($folder)) {
                throw new SettingRefused("There is no folder {$folder}.", 'Write its whole path, from the /.');
            }
            if (! is_readable($folder)) {
                throw new SettingRefused("The folder {$folder} cannot be read.", 'Choose another, or change who may read it.');
            }
            $fault = AllowedFolder::fault($folder);
            if ($fault !== null) {
                throw new SettingRefused($fault, 'Name the folders in which media lie.');
            }
        }
        $real = array_map(fn (string $folder): string => Drive::answers($folder) ? (string) realpath($folder) : $folder, $folders);

        return array_values(array_unique($real))
            ?: throw new SettingRefused('There is no folder left to bring cuts in from.', 'Name one.');
    }
}
