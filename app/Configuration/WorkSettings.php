<?php

namespace App\Configuration;

/** How work is shared out on this machine. */
final readonly class WorkSettings
{
    /**
     * @param  int  $runsAtOnce  1 to 16
     * @param  float  $lease  seconds until work of a silent worker is given to another
     * @param  float  $idle  seconds after which a worker without work looks at the queue unasked
     * @param  float  $leastPart  seconds of a cut below which it is not divided
     * @param  int  $partsEach  of a long file for each worker
     * @param  int  $mostLost  times that work may lose its worker until it fails
     * @param  string  $machine  its name among several
     */
    public function __construct(
        public int $runsAtOnce,
        public float $lease,
        public float $idle,
        public float $leastPart,
        public int $partsEach,
        public int $mostLost,
        public string $machine,
    ) {
    }

    public static function of(SetValues $values): self
    {
        return new self(
            runsAtOnce: (int) $values->get('crate.work.at_once'),
            lease: (float) config('crate.work.lease'),
            idle: (float) config('crate.work.idle'),
            leastPart: (float) config('crate.work.least_part'),
            partsEach: (int) config('crate.work.parts_each'),
            mostLost: (int) config('crate.work.most_lost'),
            machine: (string) config('crate.work.machine'),
        );
    }
}
