<?php

namespace App\Providers;

use App\Database\WriteFirstConnection;
use App\Http\Contract;
use App\Library\Hosts;
use App\Library\Presets;
use Illuminate\Database\Connection;
use Illuminate\Support\ServiceProvider;
use OuterCrate\Checks\CheckList;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Formats\Catalogue;

class CrateServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('sqlite', fn (...$arguments): WriteFirstConnection => new WriteFirstConnection(...$arguments));
        foreach ([Catalogue::class, Encoders::class, CheckList::class, Contract::class, Presets::class, Hosts::class] as $shared) {
            $this->app->singleton($shared);
        }
    }
}
