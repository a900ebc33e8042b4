<?php

namespace App\Packing;

use App\Desk\Sheets;
use App\Models\Run;
use App\Models\WorkState;
use App\Work\WorkQueue;

/** Sends a run that waits back to its sheet. It keeps its place, and waits there for what is made of it. */
class Recall
{
    public function __construct(private readonly WorkQueue $queue, private readonly Sheets $sheets)
    {
    }

    /** @throws PackRefused when it does not wait, or has no sheet any more */
    public function back(Run $run): void
    {
        if ($run->cut === null) {
            throw new PackRefused("{$run->cut_name} is no longer on the shelf.", 'Bring it in again.');
        }
        $this->queue->pause($run->work, true);
        if ($run->work->state !== WorkState::Waiting) {
            $this->queue->pause($run->work, false);
            throw new PackRefused('Only what waits goes back to its sheet.', 'Stop it, then change its column and pack again.');
        }
        $key = $run->output ?? "run-{$run->id}";
        $own = [
            'key' => $key,
            'preset' => $run->plan['preset'],
            'host' => $run->plan['host'],
            'edits' => $run->plan['edits'],
            'range' => null,
        ];
        $outputs = $run->cut->outputs;
        $at = array_search($key, array_column($outputs, 'key'), true);
        if ($at === false) {
            $outputs[] = $own;
        } else {
            $outputs[$at] = ['range' => $outputs[$at]['range'] ?? null] + $own;
        }
        $this->sheets->save($run->cut, ['range' => $run->cut->range, 'outputs' => $outputs], null, fn () => null);
        $run->update(['output' => $key, 'recalled' => true]);
    }
}
