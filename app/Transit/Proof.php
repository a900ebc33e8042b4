<?php

namespace App\Transit;

use App\Models\TransitTest;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Json\Freezer;
use OuterCrate\Transit\Candidate;

/** What a transit test proves of each upload, in short. */
final class Proof
{
    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, mixed>  $result  resources/schema/transit.json
     * @return array{fingerprint: string, uploads: mixed} kept with the test
     */
    public static function of(TransitTest $test, array $candidates, array $result): array
    {
        $at = (int) array_search($result['screen'], array_column($result['candidates'][0]['after'], 'screen'), true);
        $shares = array_map(floatval(...), array_column($result['pieces'], 'share'));
        $uploads = array_map(function (Candidate $candidate, array $told) use ($test, $result, $at, $shares): TestedUpload {
            $after = $told['after'][$at];

            return new TestedUpload(
                test: $test->id,
                host: $result['host'],
                hostVersion: $result['hostVersion'],
                range: $candidate->plan->range,
                frame: $candidate->plan->frameSize->frame,
                codec: $candidate->plan->video->codec->id(),
                average: $candidate->plan->bitrate->average,
                bytes: $candidate->bytes,
                tier: $after['tier'],
                screen: $result['screen'],
                ssim: array_map(fn (float|int $db): float => 1 - 10 ** (-$db / 10), $after['ssimDbPieces']),
                shares: $shares,
                sampled: $result['sampled']['share'],
                bandingAdded: $after['bandingAdded'],
                banded: $after['banded'],
                grainKept: $after['grainKept'],
            );
        }, $candidates, $result['candidates']);

        return ['fingerprint' => $test->asked['fingerprint'], 'uploads' => Freezer::freeze($uploads)];
    }
}
