<?php

namespace App\Settings;

use App\Media\AllowedFolder;
use App\Media\Drive;

/** Where packed files go, one folder a cut. */
final class DeliveriesFolder implements Entry
{
    use Configured;

    public function name(): string
    {
        return 'deliveries';
    }

    public function configured(): string
    {
        return 'crate.deliveries';
    }

    public function checked(mixed $value): string
    {
        $folder = is_string($value) ? rtrim(trim($value), '/') : '';
        if (! str_starts_with($folder, '/') || str_contains($folder, "\0")) {
            $todo = 'Write it from the /, such as /media/deliveries.';
            throw new SettingRefused('The folder for deliveries has to be a whole path.', $todo);
        }
        if (! Drive::answers($folder)) {
            throw SettingRefused::silent($folder);
        }
        if (! is_dir($folder)) {
            throw new SettingRefused("There is no folder {$folder}.", 'Make it first, or mount its drive.');
        }
        if (! Drive::takesFiles($folder)) {
            throw new SettingRefused("The folder {$folder} cannot be written to.", 'Choose another, or change who may write there.');
        }

        $fault = AllowedFolder::fault($folder);
        if ($fault !== null) {
            throw new SettingRefused($fault, 'Choose a folder of your own for packed files.');
        }

        return (string) realpath($folder);
    }
}
