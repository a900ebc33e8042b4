<?php

namespace App\Resources;

use App\Configuration\DispatchSettings;
use App\Media\Drive;
use App\Settings\EndSound;
use App\Settings\RunsAtOnce;
use App\Settings\Settings;
use App\Work\SideBySide;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;

/** The settings as the page shows them (resources/schema/settings.json). */
final class SettingsResource
{
    /** @return array<string, mixed> */
    public static function of(Settings $settings): array
    {
        $all = $settings->all();

        return $all + [
            'deliveriesVolume' => self::volume($all['deliveries']),
            'mediaVolumes' => array_map(self::volume(...), $all['mediaFolders']),
            'lineSpeedLabel' => (string) new Bitrate($all['lineSpeed']),
            'sounds' => EndSound::SOUNDS,
            'mostAtOnce' => RunsAtOnce::MOST,
            'cores' => SideBySide::cores(),
            'zone' => app(DispatchSettings::class)->zone,
            'changed' => $settings->changed(),
        ];
    }

    /** @return array{path: string, isThere: bool, freeLabel: ?string, fileSystem: ?string} */
    private static function volume(string $folder): array
    {
        $free = Drive::freeBytes($folder);

        return [
            'path' => mb_scrub($folder),
            'isThere' => Drive::answers($folder) && is_dir($folder),
            'freeLabel' => $free === null ? null : (string) new ByteCount($free),
            'fileSystem' => Drive::fileSystem($folder),
        ];
    }
}
