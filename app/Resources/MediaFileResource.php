<?php

namespace App\Resources;

use App\Models\KeptName;
use OuterCrate\Units\ByteCount;

/** A file in a media folder (resources/schema/media-file.json). */
final class MediaFileResource
{
    /**
     * @param  array{path: string, name: string, folder: string, bytes: int, modified: int, kind: \App\Media\FileKind}  $file
     * @param  int|null  $cut  the cut that it is on the shelf as
     * @return array<string, mixed>
     */
    public static function of(array $file, ?int $cut = null): array
    {
        return [
            'path' => KeptName::of($file['path']),
            'name' => mb_scrub($file['name']),
            'folder' => mb_scrub($file['folder']),
            'bytes' => $file['bytes'],
            'bytesLabel' => (string) new ByteCount($file['bytes']),
            'modified' => Moment::at($file['modified']),
            'kind' => $file['kind']->value,
            'kindLabel' => $file['kind']->label(),
            'cut' => $cut,
        ];
    }
}
