<?php

namespace App\Console;

use App\Analysis\CutAnalyses;
use App\Http\Resources\CutResource;
use App\Media\Fingerprint;
use App\Models\Cut;
use App\Packing\Packer;
use App\Uploads\Uploads;
use Illuminate\Console\Command;

class RecoverCommand extends Command
{
    protected $signature = 'crate:recover';

    protected $description = 'After a crash: mark what was under way as failed and remove its unfinished files';

    public function handle(Packer $packer, CutAnalyses $analyses, Uploads $uploads): int
    {
        $uploads->expire();
        $this->renewCards();
        $analyses->recover();
        $count = $packer->recover();
        if ($count > 0) {
            $this->line("{$count} unfinished ".($count === 1 ? 'run was' : 'runs were').' ended by a crash and marked as failed.');
        }

        return self::SUCCESS;
    }

    /** Cuts that an older version brought in lack what the sheet shows today. */
    private function renewCards(): void
    {
        foreach (Cut::query()->lazy() as $cut) {
            if (! isset($cut->card['timecode'])) {
                $cut->update(['card' => CutResource::card($cut->reading()), 'fingerprint' => is_readable($cut->path) && ! $cut->hasChanged() ? Fingerprint::of($cut->path) : null]);
            }
        }
    }
}
