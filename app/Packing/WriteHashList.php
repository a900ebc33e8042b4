<?php

namespace App\Packing;

use App\Models\Run;
use App\Models\Work;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Priority;
use App\Work\WorkerGroup;

/** Writes the hash list of a delivery. Reading its files can take as long as copying them. */
final class WriteHashList implements Kind
{
    public const NAME = 'hash';

    public function __construct(private readonly HashLists $lists)
    {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: self::NAME,
            does: 'writes hash lists',
            failure: 'An unexpected error stopped this hash list. The files are unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::Notice,
            // Two at once would write lists with the same generation number.
            atOnce: 1,
        );
    }

    /** Its subject is the first run of the delivery. */
    public function run(Work $work, Meter $meter): void
    {
        $pack = Run::query()->find($work->subject)?->pack;
        if ($pack === null) {
            return;
        }
        $runs = Run::query()->where('pack', $pack)->orderBy('id')->get();
        $bytes = max(1, HashLists::bytesToRead($runs));
        $path = $this->lists->write($runs, function (int $done) use ($meter, $bytes): void {
            $meter->check();
            $meter->note($done / $bytes);
        });
        $work->update(['detail' => ['bytes' => $bytes, 'path' => mb_scrub($path)]]);
    }
}
