<?php

namespace App\Console;

use App\Analysis\CutAnalyses;
use App\Engine\Capabilities;
use App\Media\CutFile;
use App\Media\Fingerprint;
use App\Models\Cut;
use App\Models\Setting;
use App\Sampling\Samples;
use App\Shelf\CutCard;
use App\Shelf\CutShelf;
use App\Uploads\Uploads;
use Illuminate\Console\Command;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Refusals\Refused;

/** At a start: what an upgrade or the passing of time calls for. What was under way when a process ended is no concern of this. */
class CatchUpCommand extends Command
{
    /** Setting with the version to which all cuts were upgraded. Checking thousands of cuts would delay each start. */
    private const CARDS = 'cuts_up_to_date';

    private const CARDS_NOW = 1;

    protected $signature = 'crate:catch-up';

    protected $description = 'Look at cuts that were never looked at, or by an older version, and forget what has expired';

    public function handle(
        CutAnalyses $analyses,
        Uploads $uploads,
        Samples $samples,
        CutCard $card,
        CutShelf $shelf,
        Capabilities $capabilities,
    ): int {
        // Encoders in graphics chips are tried here, where nobody waits for an answer; runs try them again once a day.
        $capabilities->hardware();
        $uploads->expire();
        $samples->prune();
        if (Setting::find(self::CARDS)?->value !== self::CARDS_NOW) {
            foreach (Cut::query()->lazy() as $cut) {
                $this->bringUpToDate($cut, $shelf, $card);
            }
            Setting::query()->updateOrCreate(['key' => self::CARDS], ['value' => self::CARDS_NOW]);
        }
        $analyses->askMissing();

        return self::SUCCESS;
    }

    /** Adds what older versions did not store. */
    private function bringUpToDate(Cut $cut, CutShelf $shelf, CutCard $card): void
    {
        $this->readAsNow($cut, $shelf);
        if (! isset($cut->card['timecode'], $cut->card['values']) || $cut->fingerprint === null) {
            $readable = CutFile::isHere($cut) && is_readable($cut->path);
            $cut->update([
                'card' => $card->of($cut->reading(), $cut->path),
                'fingerprint' => $readable ? Fingerprint::of($cut->path) : $cut->fingerprint,
            ]);
        }
    }

    /** A version before this one kept no times of frames. What it kept still serves where the file cannot be read now. */
    private function readAsNow(Cut $cut, CutShelf $shelf): void
    {
        try {
            if (! ProbeReader::hasTimes($cut->probe['probe']) && CutFile::isHere($cut)) {
                $shelf->bringIn($cut->path, analyse: false);
                $cut->refresh();
            }
        } catch (Refused $e) {
            report($e);
        }
    }
}
