<?php

namespace App\Desk;

use App\Models\Cut;
use App\Models\TransitProof;
use InvalidArgumentException;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Json\Fields;

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
                foreach ($proof->uploads as $upload) {
                    $tested[] = TestedUpload::fromArray(new Fields($upload));
                }
            } catch (InvalidArgumentException $e) {
                // Nothing is cited that cannot be read. The test itself is there, with its result.
                report($e);
            }
        }

        return $tested;
    }
}
