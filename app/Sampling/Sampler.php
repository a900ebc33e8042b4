<?php

namespace App\Sampling;

use App\Engine\EngineFailed;
use App\Engine\Prober;
use App\Engine\Runner;
use App\Engine\Stopped;
use App\Media\Scratch;
use Closure;
use OuterCrate\Analysis\Found;
use OuterCrate\Encoding\Commands\Allowance;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\Sampling\Piece;
use OuterCrate\Estimates\Sampling\PieceResult;
use OuterCrate\Estimates\Sampling\Pieces;
use OuterCrate\Estimates\Sampling\PieceTally;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Formats\Containers\ImageFolder;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;

/** Encodes pieces of a cut with a plan's settings and says what they came to. */
class Sampler
{
    public function __construct(
        private readonly PassBuilder $passes,
        private readonly Runner $runner,
        private readonly Prober $prober,
    ) {
    }

    /**
     * @param  Closure(): bool|null  $shouldStop
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function sample(string $path, Reading $reading, ?Found $found, Plan $plan, ?Closure $shouldStop = null): Sample
    {
        $pieces = Pieces::of($plan, $reading, $found);
        $scratch = Scratch::named('sample-'.bin2hex(random_bytes(4)));
        $encode = fn (Plan $plan, array $pieces): array => array_map(
            fn (Piece $piece): PieceResult => $this->encode($path, $plan, $reading, $piece, $scratch->path, $shouldStop),
            $pieces,
        );
        try {
            $sampled = Sampling::conclude($plan, $pieces, $encode($plan, $pieces));
            $ample = count($pieces) === 1 ? null : Sampling::ample($plan, $sampled);
            if ($ample === null) {
                return $sampled;
            }
            $more = Pieces::more($plan, $reading, $found);
            try {
                return Sampling::concludeAmple($plan, $sampled, $more, $encode($ample, $more));
            } catch (EngineFailed) {
                // Not every encoder takes that much: the figure of the plan's own pieces stands.
                return $sampled;
            }
        } finally {
            $scratch->remove();
        }
    }

    private function encode(string $path, Plan $plan, Reading $reading, Piece $piece, string $folder, ?Closure $shouldStop): PieceResult
    {
        $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();
        $whole = $piece->frames->equals($plan->range);
        $length = $whole ? $plan->duration : $video->frameRate->secondsOf($piece->frames->count());
        $frames = $whole ? $plan->frames : max(1, $plan->frameRate->rate->framesIn($length));
        $part = $plan->ofRange($piece->frames, $frames, $length);
        // All of it is made as it will be, but for a folder of images, which would only be counted together again.
        $isFile = $whole && ! $plan->container->container instanceof ImageFolder;
        $file = "{$folder}/piece.".($isFile ? $plan->container->container->extension() : 'nut');
        $begun = hrtime(true);
        $passes = $isFile ? $this->passes->passes($part, $reading, witnessed: false) : $this->passes->sample($part, $reading);
        foreach ($passes as $pass) {
            $command = EncodeCommand::of($pass, $path, $pass->writes ? $file : null, Allowance::Sample);
            $this->runner->encode($command, $folder, shouldStop: $shouldStop);
        }
        $seconds = (hrtime(true) - $begun) / 1e9;
        $picture = $isFile ? ProbeReader::firstVideo($this->prober->probe($file)) : 0;
        $tally = new PieceTally($length->toFloat(), $picture ?? 0);
        $this->prober->packets($file, $tally->take(...));

        return $tally->result($seconds, $isFile ? (int) filesize($file) + strlen($passes[count($passes) - 1]->boxes) : null);
    }
}
