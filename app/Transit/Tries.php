<?php

namespace App\Transit;

use App\Engine\Runner;
use App\Media\Scratch;
use Closure;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Pass;

/** Encodes the same pieces at one average after another: what the first pass gathers of the picture serves all of them. */
final class Tries
{
    private ?Scratch $scratch = null;

    private ?Pass $gathering = null;

    private bool $hasGathered = false;

    /**
     * @param  string  $source  path of what is encoded
     * @param  Closure(): bool  $shouldStop
     */
    public function __construct(private readonly Runner $runner, private readonly string $source, private readonly Closure $shouldStop)
    {
    }

    /**
     * The passes of a try; of the first one where it only gathers.
     *
     * @param  non-empty-list<Pass>  $passes
     * @return non-empty-list<Pass>
     */
    public function passes(array $passes): array
    {
        if (count($passes) < 2 || $passes[0]->writes) {
            return $passes;
        }
        $this->gathering ??= $passes[0];

        return [$this->gathering, ...array_slice($passes, 1)];
    }

    /** @param  non-empty-list<Pass>  $passes  as passes() gave them */
    public function make(array $passes, string $target): void
    {
        $this->scratch ??= Scratch::named('transit-'.bin2hex(random_bytes(4)));
        foreach ($passes as $pass) {
            if ($pass === $this->gathering && $this->hasGathered) {
                continue;
            }
            $command = EncodeCommand::of($pass, $this->source, $pass->writes ? $target : null);
            $this->runner->encode($command, $this->scratch->path, shouldStop: $this->shouldStop);
            $this->hasGathered = $this->hasGathered || $pass === $this->gathering;
        }
    }

    public function end(): void
    {
        $this->scratch?->remove();
    }
}
