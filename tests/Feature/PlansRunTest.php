<?php

use App\Models\WorkState;
use Illuminate\Support\Facades\File;
use Tests\Support\RandomPlans;

it('makes of any plan that is not stopped the file that was planned', function (int $part) {
    // Others at each run; SEED=… makes those of a run again, and the seed stands in every message.
    $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000)) + $part;
    fwrite(STDERR, "Random plans: SEED={$seed}\n");
    $count = 0;
    foreach (RandomPlans::made($seed, 25, $this->folder('out')) as $told => $run) {
        expect($run->work->state)->toBe(WorkState::Done, "{$told}: {$run->work->error}");
        $differs = array_filter($run->slip['differences'], fn (array $difference): bool => $difference['cell'] !== 'bitrate');
        expect(array_column($differs, 'text'))->toBe([], $told);
        is_dir($run->file) ? File::deleteDirectory($run->file) : unlink($run->file);
        $count++;
    }
    expect($count)->toBe(25, "seed {$seed}");
})->with([0, 1, 2, 3]);
