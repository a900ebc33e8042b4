<?php

namespace App\Packing\Passes;

use App\Packing\Run\FileInProgress;
use Closure;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\Progress;

/** A pass that a run wants done. */
final readonly class PassRequest
{
    /** Absolute path of the file that it writes; null for a pass that only gathers. */
    public ?string $target;

    /** It by itself. */
    public Command $command;

    /** @param  Closure(Progress): void  $onProgress */
    public function __construct(public FileInProgress $file, public Pass $pass, public Closure $onProgress)
    {
        $this->target = $pass->writes ? $file->output()->target($pass->images) : null;
        $this->command = EncodeCommand::of($pass, $file->run->source, $this->target);
    }
}
