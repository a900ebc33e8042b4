<?php

namespace App\Configuration;

use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\ServiceProvider;

/** Makes each settings object anew, from what is set and configured at that moment. */
class ConfigurationProvider extends ServiceProvider
{
    private const SETTINGS = [
        AccessSettings::class, DispatchSettings::class, FolderSettings::class, QueueEndSettings::class, WorkSettings::class,
    ];

    public function register(): void
    {
        $this->app->singleton(SetValues::class);
        foreach (self::SETTINGS as $settings) {
            $this->app->bind($settings, fn (Application $app) => $settings::of($app->make(SetValues::class)));
        }
    }
}
