<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\TransitProof;
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
        $proofs = TransitProof::query()
            ->where('cut_id', $cut->id)
            ->where('fingerprint', $cut->fingerprint)
            ->orderByDesc('transit_test_id')
            ->limit(self::MOST)
            ->get();
        foreach ($proofs as $proof) {
            try {
                $uploads = Freezer::thaw($proof->uploads);
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
