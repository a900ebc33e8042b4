<?php

namespace App\Transit;

use App\Engine\Runner;
use App\Media\Scratch;
use Closure;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Encoding\Prepared;
use OuterCrate\Encoding\Statistics;

/** Encodes the same pieces at one average after another: what the first pass gathers of the picture serves all of them. */
final class Tries
{
    private ?Scratch $scratch = null;

    private ?Pass $gathering = null;

    private bool $hasGathered = false;

    /**
     * @param  string  $source  path of what is encoded
     * @param  bool  $keeps  whether its pictures are kept as they come to the encoder, for the passes after the first
     * @param  Closure(): bool  $shouldStop
     */
    public function __construct(
        private readonly Runner $runner,
        private readonly string $source,
        private readonly bool $keeps,
        private readonly Closure $shouldStop,
    ) {
    }

    /**
     * The passes of a try; of the first one where it only gathers.
     *
     * @param  non-empty-list<Pass>  $passes
     * @return non-empty-list<Pass>
     */
    public function passes(array $passes): array
    {
        $gathering = $this->gathering($passes);

        return $gathering === null ? $passes : [$gathering, ...array_slice($passes, 1)];
    }

    /**
     * The pass that gathers for all tries; null where there is none.
     *
     * @param  non-empty-list<Pass>  $passes  of a try
     */
    public function gathering(array $passes): ?Pass
    {
        return count($passes) < 2 || $passes[0]->writes ? null : $this->gathering ??= $passes[0];
    }

    /** @return iterable<string> lines that it gathered; none where this encoder's cannot be read */
    public function gather(Pass $gathering): iterable
    {
        $this->run($gathering, null);
        foreach (Statistics::FILES as $name) {
            yield from $this->scratch?->lines($name) ?? [];
        }
    }

    /** @param  non-empty-list<Pass>  $passes  as passes() gave them */
    public function make(array $passes, string $target): void
    {
        foreach ($passes as $pass) {
            $this->run($pass, $pass->writes ? $target : null);
        }
    }

    private function run(Pass $pass, ?string $target): void
    {
        if ($pass === $this->gathering && $this->hasGathered) {
            return;
        }
        $this->scratch ??= Scratch::named('transit-'.bin2hex(random_bytes(4)));
        $isGathering = $pass === $this->gathering;
        if ($isGathering) {
            $pass = $this->keeps ? Prepared::kept($pass) : $pass;
        } elseif ($this->scratch->holds(Prepared::FILE)) {
            $pass = Prepared::over("{$this->scratch->path}/".Prepared::FILE, $pass);
        }
        $command = EncodeCommand::of($pass, $this->source, $target);
        $this->runner->encode($command, $this->scratch->path, shouldStop: $this->shouldStop);
        $this->hasGathered = $this->hasGathered || $isGathering;
    }

    public function end(): void
    {
        $this->scratch?->remove();
    }
}
