<?php

namespace App\Transit;

use App\Models\TransitProof;
use App\Models\TransitTest;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Measures\OverTime;
use OuterCrate\Transit\Candidate;

/** What a transit test proves of each upload, in short. */
final class Proof
{
    /** @param  list<Candidate>  $candidates  of a test that is done */
    public static function keep(TransitTest $test, array $candidates): void
    {
        TransitProof::query()->updateOrCreate(['transit_test_id' => $test->id], [
            'cut_id' => $test->cut_id,
            'fingerprint' => $test->asked['fingerprint'],
            'uploads' => array_map(
                fn (TestedUpload $upload): array => $upload->toArray(),
                self::uploads($test->id, $candidates, $test->result ?? []),
            ),
        ]);
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, mixed>  $result  resources/schema/transit.json
     * @return list<TestedUpload>
     */
    private static function uploads(int $test, array $candidates, array $result): array
    {
        $at = (int) array_search($result['screen'], array_column($result['candidates'][0]['after'], 'screen'), true);
        $shares = array_map(floatval(...), array_column($result['pieces'], 'share'));

        return array_map(function (Candidate $candidate, array $told) use ($test, $result, $at, $shares): TestedUpload {
            $after = $told['after'][$at];

            return new TestedUpload(
                test: $test,
                host: $result['host'],
                hostVersion: $result['hostVersion'],
                range: $candidate->plan->range,
                frame: $candidate->plan->frameSize->frame,
                codec: $candidate->plan->video->codec->id(),
                average: $candidate->plan->bitrate->average,
                bytes: $told['upload']['bytes'],
                tier: $after['tier'],
                screen: $result['screen'],
                ssim: array_map(OverTime::ofDecibels(...), $after['ssimDbPieces']),
                shares: $shares,
                sampled: $result['sampled']['share'],
                bandingAdded: $after['bandingAdded'],
                banded: $after['banded'],
                grainKept: $after['grainKept'],
            );
        }, $candidates, $result['candidates']);
    }
}
