<?php

use OuterCrate\Encoding\Commands\SharedCommand;
use OuterCrate\Encoding\Commands\SharedPass;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Estimates\DecodeTime;
use OuterCrate\Estimates\Sharing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\FrameRange;
use Tests\Support\Desk;
use Tests\Support\Probes;

/** How many of these outputs of a cut of ten bits are made together, with so many bytes of memory and these learnt speeds. */
function sharers(array $outputs, int $memory = PHP_INT_MAX, array $learnt = []): int
{
    $reading = Desk::reading(Probes::mezzanine());
    $plans = array_map(fn (string|Plan $output): Plan => is_string($output) ? Desk::plan($reading, $output) : $output, $outputs);

    return (new Sharing(new TimeEstimate(new Encoders, $learnt), $reading, $memory))->of($plans);
}

it('makes together what follows one another and shares frames, and no more than memory holds', function () {
    $three = ['archive-10-bit', 'lanternwick-even@lanternwick', 'lanternwick-generous@lanternwick'];
    expect(sharers($three))->toBe(3)
        // Sound is there in a moment, before and between.
        ->and(sharers(['archive-10-bit', 'sound-wav', 'lanternwick-even@lanternwick']))->toBe(1)
        ->and(sharers(['sound-wav', 'archive-10-bit']))->toBe(1)
        ->and(sharers(array_fill(0, 6, 'archive-10-bit')))->toBe(4)
        // Eighty frames of 1280×720 in 4:2:2 of ten bits are 295 MB.
        ->and(sharers($three, 300_000_000))->toBe(1)
        // And of 4:2:0 of eight, 111 MB.
        ->and(sharers($three, 450_000_000))->toBe(2);
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'archive-10-bit');
    expect(sharers([$plan, $plan->ofRange(new FrameRange(0, 9), 10, $plan->duration)]))->toBe(1);
});

it('shares no decoding that is nothing beside the encoding', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-even@lanternwick');
    $decoding = $plan->bitrate->passes * DecodeTime::of(Desk::reading(Probes::mezzanine()), $plan->frames);
    $pixels = $plan->frames * $plan->frameSize->picture->pixels();
    $taking = fn (float $seconds): array => [TimeEstimate::key($plan) => (int) ($pixels / ($seconds - 0.4))];
    expect($decoding / 0.03)->toBeGreaterThan(30.0)
        ->and(sharers([$plan, $plan], learnt: $taking($decoding / 0.05)))->toBe(2)
        ->and(sharers([$plan, $plan], learnt: $taking($decoding / 0.03)))->toBe(1)
        // Half a minute is not waited for.
        ->and(sharers([$plan, $plan], learnt: $taking(29.0)))->toBe(2);
});

it('gives each its own names, and says where the engine leaves what', function () {
    $beside = [
        '-map', '0:0', '-vf', 'scale=w=32:h=18,metadata=mode=print:key=x:file=witness-times', '-f', 'rawvideo', 'witness-pictures',
    ];
    $picture = ['-filter_complex', '[0:0]null[picture];[0:0]nullsink', '-map', '[picture]'];
    $x264 = [...$picture, '-c:v', 'libx264', '-pass', '2', '-passlogfile', 'statistics', '-vstats_file', 'quantisers', '-map', '0:1'];
    $x265 = [...$picture, '-c:v', 'libx265', '-x265-params', 'log-level=none:pass=1:stats=statistics', '-an', '-f', 'null'];
    $pass = fn (array $arguments, array $beside = []): Pass => new Pass(['-ss', '1'], $arguments, $beside !== [], 50, beside: $beside);
    $shared = new SharedCommand([
        new SharedPass($pass([...$x264, '-f', 'mp4'], $beside), 'run-1', '/out/a statistics.mp4'),
        new SharedPass($pass($x265), 'run-2', null),
        new SharedPass($pass([...$x264, '-f', 'mp4'], $beside), 'run-3', '/out/b.mp4'),
    ], '/cut.mov');
    $told = implode(' ', $shared->command->arguments);

    expect($told)->toContain(
        '-vstats_file run-1/quantisers-of-all -protocol_whitelist',
        '-ss 1 -i file:/cut.mov -filter_complex [0:0]null[picture0];[0:0]nullsink -map [picture0] -c:v libx264 -pass 2 '.
            '-passlogfile run-1/statistics -map 0:1 -f mp4 file:/out/a statistics.mp4 -map 0:0',
        'file=run-1/witness-times -f rawvideo run-1/witness-pictures',
        '[picture1] -c:v libx265 -x265-params log-level=none:pass=1:stats=run-2/statistics -an -f null -',
        '-passlogfile run-3/statistics',
    )
        ->and(substr_count($told, '-i file:'))->toBe(1)
        ->and(substr_count($told, '-vstats_file'))->toBe(1)
        // What is the same is left once, and found by the other.
        ->and(substr_count($told, 'witness-pictures'))->toBe(1)
        ->and($shared->alike)->toBe(['run-3' => 'run-1'])
        // Streams before it: picture, sound and witness of the first, picture of the second.
        ->and($shared->numbers)->toBe(['run-1' => 0, 'run-2' => 3, 'run-3' => 4])
        ->and($shared->files)->toBe(['run-1' => 0, 'run-2' => 2, 'run-3' => 3]);
});
