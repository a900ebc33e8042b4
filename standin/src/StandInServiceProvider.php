<?php

namespace StandIn;

use App\Configuration\ConfigurationProvider;
use App\Engine\Waiting;
use App\Library\ShippedHosts;
use App\Schema\Contract;
use App\Work\Calls\LocalCalls;
use Illuminate\Support\ServiceProvider;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Sheet\Cells;

class StandInServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->register(ConfigurationProvider::class);
        umask(0o077);
        foreach ([Catalogue::class, Cells::class, Contract::class, ShippedHosts::class, Faults::class] as $shared) {
            $this->app->singleton($shared);
        }
        $this->app->bind(Waiting::class, LocalCalls::class);
    }
}
