<?php

namespace App\Media;

use App\Engine\Runner;
use Closure;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\ListenCommand;
use OuterCrate\Reading\SoundLevel;

/** Listens to a sound: how loud it is, and how high its peaks are. */
class SoundMeter
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * The first track of a file.
     *
     * @param  int  $channels  of it
     * @param  Closure(): bool|null  $shouldStop
     * @return SoundLevel|null null where the meter tells nothing
     */
    public function ofFile(string $path, int $channels, Scratch $scratch, ?Closure $shouldStop = null): ?SoundLevel
    {
        return $this->of(ListenCommand::of($path, $channels), $scratch, $shouldStop);
    }

    /**
     * What a command passes through the meter.
     *
     * @param  Scratch  $scratch  where the meter leaves what it found
     * @param  Closure(): bool|null  $shouldStop
     */
    public function of(Command $command, Scratch $scratch, ?Closure $shouldStop = null): ?SoundLevel
    {
        $this->runner->encode($command, $scratch->path, shouldStop: $shouldStop);

        return SoundLevel::of($scratch->lines(SoundLevel::FILE));
    }
}
