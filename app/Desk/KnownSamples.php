<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\Sample;
use Closure;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\Sampling\Pieces;
use OuterCrate\Estimates\Sampling\Sample as Sampled;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** What is known already of plans from encoding pieces of their cut. */
class KnownSamples
{
    public function __construct(private readonly PassBuilder $passes)
    {
    }

    /** @return Closure(Plan): ?Sampled */
    public function of(Cut $cut, Reading $reading): Closure
    {
        $known = null;

        return function (Plan $plan) use ($cut, $reading, &$known): ?Sampled {
            $known ??= Sample::query()->where('cut_id', $cut->id)->whereNotNull('result')->get(['key', 'result'])->keyBy('key');

            return $known->isEmpty() || ! $plan->hasVideo() ? null : $known->get($this->key($cut, $plan, $reading))?->sampled();
        };
    }

    /**
     * What a sample of a plan is kept under: the same for all plans whose pieces would come out the same, of this content of the file.
     */
    public function key(Cut $cut, Plan $plan, Reading $reading): string
    {
        // What is encoded whole is made in its container, and with the tags of its role.
        $file = Pieces::isOne($plan, $reading) ? [$plan->container->toArray(), $plan->spec->preset->role] : [];

        return hash('xxh128', $cut->fingerprint.$this->passes->sampleKey($plan, $reading).json_encode($file));
    }
}
