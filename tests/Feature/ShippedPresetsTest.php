<?php

use App\Models\Cut;
use App\Models\WorkState;
use OuterCrate\Units\FrameRange;
use Tests\Support\Desk;

it('makes a file of every shipped preset that is as planned, and that its host and its device take', function () {
    $cut = Cut::query()->find($this->bringIn('ten-bit', 'kiln.mov')['id']);
    $outputs = array_map(fn (string $slug): array => ['preset' => $slug, 'host' => Desk::preset($slug)->host], Desk::presets());
    $runs = $this->queued($cut, $outputs, new FrameRange(0, 11));
    $this->work('make');
    foreach ($runs as $run) {
        $run->refresh();
        $told = "{$run->plan['preset']}: {$run->work->error}";
        // What a host or a device refuses of a plan is a finding of it; what a file is not of its plan is a difference of its slip.
        $refused = array_filter(
            $run->plan['findings'],
            fn (array $finding): bool => $finding['severity'] === 'stop'
                || preg_match('~refuses|not-taken|too-large~', $finding['id']) === 1,
        );
        expect($run->work->state)->toBe(WorkState::Done, $told)
            ->and(array_column($refused, 'id'))->toBe([], $told)
            // Over half a second a rate control of one pass does not come near its average yet, and the slip says so.
            ->and(array_filter($run->slip['differences'], fn (array $of): bool => $of['cell'] !== 'bitrate'))->toBe([], $told);
    }
    expect(count($runs))->toBe(count(glob(base_path('presets/*.json'))));
});
