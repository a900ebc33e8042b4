<?php

use App\Models\WorkState;
use Illuminate\Support\Facades\File;
use Tests\Support\RandomPlans;

it('makes of any plan that is not stopped the file that was planned', function () {
    // Others at each run; SEED=… makes those of a run again, and the seed stands in every message. PLANS=… makes more of them.
    $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
    $plans = (int) (getenv('PLANS') ?: 12);
    fwrite(STDERR, "Random plans: SEED={$seed}\n");
    $count = 0;
    foreach (RandomPlans::made($seed, $plans, $this->folder('out')) as $told => $run) {
        expect($run->work->state)->toBe(WorkState::Done, "{$told}: {$run->work->error}");
        $differs = array_filter($run->slip['differences'], fn (array $difference): bool => $difference['cell'] !== 'bitrate');
        expect(array_column($differs, 'text'))->toBe([], $told);
        is_dir($run->file) ? File::deleteDirectory($run->file) : unlink($run->file);
        $count++;
    }
    expect($count)->toBe($plans, "seed {$seed}");
});
