<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\TransitTest;
use InvalidArgumentException;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Json\Freezer;

/** What transit tests of a cut came to, for findings to cite. */
class KnownTests
{
    /** The newest tests that are looked at: sheets are planned at every change, and an older one was of other questions. */
    private const MOST = 6;

    /** @return list<TestedUpload> the newest first */
    public function of(Cut $cut): array
    {
        $tested = [];
        $tests = TransitTest::query()->where('cut_id', $cut->id)->whereNotNull('proof')->orderByDesc('id')->limit(self::MOST)
            ->get(['id', 'proof']);
        foreach ($tests as $test) {
            if ($test->proof === null || $test->proof['fingerprint'] !== $cut->fingerprint) {
                continue;
            }
            try {
                $uploads = Freezer::thaw($test->proof['uploads']);
            } catch (InvalidArgumentException) {
                // Of an earlier version: nothing is cited until it is tested again.
                continue;
            }
            foreach (is_array($uploads) ? $uploads : [] as $upload) {
                $upload instanceof TestedUpload ? $tested[] = $upload : null;
            }
        }

        return $tested;
    }
}
