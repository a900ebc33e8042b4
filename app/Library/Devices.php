<?php

namespace App\Library;

use OuterCrate\Devices\Device;
use OuterCrate\Devices\DeviceFile;

class Devices extends JsonFolder
{
    /**
     * @throws UnknownName
     * @throws BrokenFile
     */
    public function need(string $slug): Device
    {
        return $this->item($slug);
    }

    protected function folder(): string
    {
        return config('crate.devices');
    }

    protected function schema(): string
    {
        return 'device';
    }

    protected function make(string $slug, array $file): Device
    {
        return DeviceFile::device($slug, $file);
    }
}
