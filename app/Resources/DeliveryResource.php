<?php

namespace App\Resources;

use App\Media\Drive;
use App\Models\Delivery;
use App\Models\Run;
use App\Models\UnknownVolume;
use OuterCrate\Units\ByteCount;

/** A file that was made (resources/schema/delivery.json). */
final class DeliveryResource
{
    /** @return array<string, mixed> */
    public static function of(Delivery $delivery): array
    {
        $run = $delivery->run;

        return [
            'id' => $delivery->id,
            'run' => $delivery->run_id,
            'pack' => $delivery->pack,
            'cut' => $delivery->cut_id,
            'cutName' => $delivery->cut_name,
            'file' => $delivery->file,
            'role' => $delivery->role,
            'preset' => $delivery->preset,
            'presetName' => $delivery->preset_name,
            'host' => $delivery->host,
            'hostName' => $delivery->host_name,
            'bytes' => $delivery->bytes,
            'bytesLabel' => (string) new ByteCount($delivery->bytes),
            'differences' => $delivery->differences,
            'madeAt' => Moment::at($delivery->made_at->getTimestamp()),
            'onDisk' => $run !== null && $run->gone_at === null && self::isThere($run),
        ];
    }

    private static function isThere(Run $run): bool
    {
        try {
            return Drive::holds($run->file);
        } catch (UnknownVolume) {
            return false;
        }
    }
}
