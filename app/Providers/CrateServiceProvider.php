<?php

namespace App\Providers;

use App\Analysis\AnalyseCut;
use App\Configuration\ConfigurationProvider;
use App\Database\WriteFirstConnection;
use App\Dispatch\BringBack;
use App\Dispatch\FollowDispatch;
use App\Dispatch\NoteSendingEnd;
use App\Dispatch\SendFile;
use App\Dispatch\SendWhenMade;
use App\Engine\Waiting;
use App\Library\Devices;
use App\Library\Hosts;
use App\Library\Presets;
use App\Library\ShippedHosts;
use App\Library\ShippedPresets;
use App\Media\DriveProbe;
use App\Packing\ClearLeftovers;
use App\Packing\MakeFile;
use App\Packing\Passes\OwnEngine;
use App\Packing\Passes\PassEngine;
use App\Packing\Segments\MakePart;
use App\Packing\WriteHashList;
use App\QueueEnd\NoteQueueEnd;
use App\QueueEnd\RunEndCommand;
use App\QueueEnd\TellQueueEnd;
use App\Sampling\SamplePieces;
use App\Schema\Contract;
use App\Settings\Settings;
use App\Teaching\TeachHost;
use App\Transit\RunTransitTest;
use App\Work\Calls\Calls;
use App\Work\Calls\LocalCalls;
use App\Work\Calls\RedisCalls;
use App\Work\Kinds;
use App\Work\WorkEnded;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\ServiceProvider;
use OuterCrate\Checks\CheckList;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Sheet\Cells;

class CrateServiceProvider extends ServiceProvider
{
    /** The kinds of work that there are. */
    private const KINDS = [
        MakeFile::class, MakePart::class, WriteHashList::class,
        SamplePieces::class, AnalyseCut::class, RunTransitTest::class, TeachHost::class, TellQueueEnd::class,
        RunEndCommand::class, SendFile::class, FollowDispatch::class, BringBack::class,
    ];

    /** Made once: they know much, and change nothing. */
    private const SHARED = [
        Catalogue::class, Cells::class, Encoders::class, CheckList::class, Contract::class,
        Settings::class, Devices::class, ShippedPresets::class, ShippedHosts::class, Presets::class, Hosts::class,
    ];

    public function register(): void
    {
        $this->app->register(ConfigurationProvider::class);
        // What is made here is its owner's: database, uploads, deliveries. Folders that others share keep what they are.
        umask(0o077);
        Connection::resolverFor('sqlite', fn (...$arguments): WriteFirstConnection => new WriteFirstConnection(...$arguments));
        foreach (self::SHARED as $shared) {
            $this->app->singleton($shared);
        }
        // What it was told of a drive holds for all that ask.
        $this->app->singleton(DriveProbe::class);
        $this->app->bind(PassEngine::class, OwnEngine::class);
        $this->app->alias(Calls::class, Waiting::class);
        $this->app->singleton(Calls::class, config('crate.work.calls') === 'redis' ? RedisCalls::class : LocalCalls::class);
        $this->app->singleton(Kinds::class, fn (Application $app): Kinds => new Kinds(self::KINDS, $app));
    }

    public function boot(): void
    {
        Event::listen(WorkEnded::class, NoteQueueEnd::class);
        Event::listen(WorkEnded::class, ClearLeftovers::class);
        Event::listen(WorkEnded::class, SendWhenMade::class);
        Event::listen(WorkEnded::class, NoteSendingEnd::class);
        $this->app->make(Settings::class)->refresh();
    }
}
