<?php

namespace App\Library;

use OuterCrate\Devices\Device;
use OuterCrate\Devices\DeviceFile;

/** @extends JsonFolder<Device> */
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

    public function make(string $slug, array $file, ?int $version = null): Device
    {
        return DeviceFile::device($slug, $file);
    }
}
