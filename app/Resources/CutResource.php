<?php

namespace App\Resources;

use App\Media\CutFile;
use App\Models\Cut;

/** A cut as the shelf shows it (resources/schema/cut.json). */
final class CutResource
{
    /** @return array<string, mixed> */
    public static function of(Cut $cut): array
    {
        return [
            'id' => $cut->id,
            'name' => $cut->name,
            'file' => mb_scrub(basename($cut->path)),
            'path' => mb_scrub($cut->path),
            'fileState' => CutFile::stateNow($cut)->value,
            'poster' => "/api/cuts/{$cut->id}/poster?v={$cut->modified}",
            'bytes' => $cut->bytes,
        ] + $cut->card;
    }
}
