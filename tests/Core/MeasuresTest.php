<?php

use OuterCrate\Measures\Alignment;
use OuterCrate\Measures\Banding;
use OuterCrate\Measures\Bands;
use OuterCrate\Measures\DetailKept;
use OuterCrate\Measures\FaultMap;
use OuterCrate\Measures\Grain;
use OuterCrate\Measures\GrainKept;
use OuterCrate\Measures\OverTime;
use OuterCrate\Measures\Picture;
use OuterCrate\Measures\Plane;
use OuterCrate\Measures\SamePicture;
use OuterCrate\Measures\Smooth;
use OuterCrate\Measures\Tone;
use OuterCrate\Measures\ToneChange;

const SIDE = 96;

/** Numbers from −1 to 1, the same every time. */
function noise(int $seed, int $count): array
{
    $state = $seed * 2_654_435_761 % 4_294_967_296;
    $numbers = [];
    for ($i = 0; $i < $count; $i++) {
        $state = ($state * 1_664_525 + 1_013_904_223) % 4_294_967_296;
        $numbers[] = $state / 2_147_483_648 - 1;
    }

    return $numbers;
}

/** A plane of SIDE by SIDE of what is said of each place. */
function plane(Closure $at): Plane
{
    $samples = [];
    for ($y = 0; $y < SIDE; $y++) {
        for ($x = 0; $x < SIDE; $x++) {
            $samples[] = max(0, min(1023, (int) round($at($x, $y, $y * SIDE + $x))));
        }
    }

    return new Plane(SIDE, SIDE, $samples);
}

/** Texture of all sizes about a brightness. */
function texture(int $seed = 1, float $about = 500): Plane
{
    $noise = noise($seed, SIDE * SIDE);

    return plane(
        fn (int $x, int $y, int $i): float => $about + 60 * sin($x / 11) * cos($y / 9) + 40 * sin(($x + $y) / 3.1) + 30 * $noise[$i],
    );
}

function planeWith(Plane $plane, Closure $change): Plane
{
    return new Plane($plane->width, $plane->height, array_map(
        fn (int $sample, int $i): int => max(0, min(1023, (int) round($change($sample, $i)))),
        $plane->samples,
        array_keys($plane->samples),
    ));
}

function blurred(Plane $plane, int $times): Plane
{
    $samples = $plane->samples;
    for ($i = 0; $i < $times; $i++) {
        $samples = Smooth::of($samples, $plane->width, $plane->height);
    }

    return new Plane($plane->width, $plane->height, $samples);
}

/** As a codec does it: blocks of 8 by 8, their cosine transform in steps (ITU-T T.81, A.3.3). */
function quantised(Plane $plane, float $step): Plane
{
    $cosine = fn (int $x, int $u): float => ($u === 0 ? sqrt(0.125) : 0.5) * cos((2 * $x + 1) * $u * M_PI / 16);
    $basis = array_map(fn (int $u): array => array_map(fn (int $x): float => $cosine($x, $u), range(0, 7)), range(0, 7));
    $samples = $plane->samples;
    for ($top = 0; $top < SIDE; $top += 8) {
        for ($left = 0; $left < SIDE; $left += 8) {
            $one = $two = [];
            foreach ([0, 1] as $direction) {
                for ($u = 0; $u < 8; $u++) {
                    for ($y = 0; $y < 8; $y++) {
                        $sum = 0.0;
                        for ($x = 0; $x < 8; $x++) {
                            $sum += $basis[$u][$x] * ($direction === 0 ? $plane->samples[($top + $y) * SIDE + $left + $x] : $one[$y][$x]);
                        }
                        $direction === 0 ? ($one[$u][$y] = $sum) : ($two[$u][$y] = $step * round($sum / $step));
                    }
                }
            }
            $back = [];
            for ($y = 0; $y < 8; $y++) {
                for ($u = 0; $u < 8; $u++) {
                    $back[$y][$u] = array_sum(array_map(fn (int $v): float => $basis[$v][$y] * $two[$v][$u], range(0, 7)));
                }
            }
            for ($y = 0; $y < 8; $y++) {
                for ($x = 0; $x < 8; $x++) {
                    $value = array_sum(array_map(fn (int $u): float => $basis[$u][$x] * $back[$y][$u], range(0, 7)));
                    $samples[($top + $y) * SIDE + $left + $x] = max(0, min(1023, (int) round($value)));
                }
            }
        }
    }

    return new Plane(SIDE, SIDE, $samples);
}

function detail(Plane $reference, Plane $test, bool $shadowsOnly = false): DetailKept
{
    $detail = new DetailKept($shadowsOnly);
    $detail->add(Bands::of($reference), Bands::of($test));

    return $detail;
}

function grain(Plane $first, Plane $second, Plane $testFirst, Plane $testSecond): ?float
{
    $grain = new GrainKept;
    $grain->add(new Grain($first, $second), $testFirst, $testSecond);

    return $grain->kept();
}

function tone(Plane $reference, Plane $test): Tone
{
    $half = fn (): Plane => new Plane(SIDE / 2, SIDE / 2, array_fill(0, SIDE * SIDE / 4, 512));
    $tone = new Tone;
    $tone->add(Bands::of($reference), Bands::of($test));
    $tone->addChroma(new Picture($reference, $half(), $half()), new Picture($test, $half(), $half()));

    return $tone;
}

/** @return list<float> as each is worse than the one before */
function falling(array $values): bool
{
    return collect($values)->sliding(2)->every(fn ($pair): bool => $pair->last() < $pair->first());
}

it('finds nothing where nothing changed', function () {
    $same = texture();

    expect(detail($same, $same)->kept())->toBe([1.0, 1.0, 1.0, 1.0])
        ->and(detail($same, $same)->added())->toBe([0.0, 0.0, 0.0, 0.0])
        ->and(grain($same, texture(2), $same, texture(2)))->toBe(1.0)
        ->and(tone($same, $same)->shift())->toBe(0.0)
        ->and(tone($same, $same)->change())->toBe(ToneChange::None)
        ->and(tone($same, $same)->tint())->toBe(['cb' => 0.0, 'cr' => 0.0])
        ->and(OverTime::decibels(1.0))->toBe(100.0);
});

it('says how much of a detail is kept by its size', function () {
    $reference = texture();
    $half = planeWith($reference, fn (int $sample): float => 500 + ($sample - 500) / 2);

    foreach (detail($reference, $half)->kept() as $kept) {
        expect($kept)->toEqualWithDelta(0.5, 0.01); // rounding to whole codes
    }
    // Smoothing takes the finest detail most.
    $kept = detail($reference, blurred($reference, 1))->kept();
    expect($kept)->toBe(collect($kept)->sort()->values()->all())
        ->and($kept[0])->toBeLessThan(0.35)
        ->and($kept[3])->toBeGreaterThan(0.85);
});

it('tells what was added from what was kept', function () {
    $reference = texture();
    $noise = noise(9, SIDE * SIDE);
    $noisy = detail($reference, planeWith($reference, fn (int $sample, int $i): float => $sample + 40 * $noise[$i]));
    $sharpened = detail($reference, planeWith($reference, fn (int $sample): float => 500 + 1.5 * ($sample - 500)));

    expect($noisy->kept()[0])->toEqualWithDelta(1.0, 0.03) // the noise is not the reference's own, but for chance over 9,216 places
        ->and($noisy->added()[0])->toBeGreaterThan(0.8)
        ->and($sharpened->kept()[1])->toBe(1.0)
        ->and($sharpened->added()[1])->toEqualWithDelta(0.25, 0.01);
});

it('falls as the quantiser grows, as the blur grows, as bits go', function () {
    $reference = texture();
    $overall = fn (Closure $change): array => array_map(
        fn (int $degree): ?float => detail($reference, $change($degree))->overall(),
        [1, 2, 3, 4],
    );
    $added = fn (int $bits): ?float => detail($reference, planeWith($reference, fn (int $s): int => $s >> $bits << $bits))->added()[0];

    expect(falling([1.0, ...$overall(fn (int $degree): Plane => quantised($reference, 40 * 2 ** $degree))]))->toBeTrue()
        ->and(falling([1.0, ...$overall(fn (int $degree): Plane => blurred($reference, $degree))]))->toBeTrue()
        ->and(falling([$added(6), $added(5), $added(4), $added(3)]))->toBeTrue();
});

it('does not mind a brightness that moved, which is tone and no detail', function () {
    $reference = texture();
    $brighter = planeWith($reference, fn (int $sample): int => $sample + 50);

    expect(detail($reference, $brighter)->kept())->toBe([1.0, 1.0, 1.0, 1.0])
        ->and(detail($reference, $brighter)->added())->toBe([0.0, 0.0, 0.0, 0.0]);
});

it('has no figure where there is nothing to keep', function () {
    $flat = plane(fn (): int => 400);

    expect(detail($flat, $flat)->kept())->toBe([null, null, null, null])
        ->and(detail($flat, $flat)->overall())->toBeNull()
        ->and(grain($flat, $flat, $flat, $flat))->toBeNull();
});

it('looks at shadows by themselves', function () {
    [$dark, $bright] = [texture(1, 150), texture(1, 600)];
    $both = fn (Plane $left, Plane $right): Plane => plane(
        fn (int $x, int $y, int $i): int => $x < SIDE / 2 ? $left->samples[$i] : $right->samples[$i],
    );
    $reference = $both($dark, $bright);
    $crushed = $both(blurred($dark, 3), $bright);
    $blown = $both($dark, blurred($bright, 3));

    expect(detail($reference, $crushed, true)->kept()[0])->toBeLessThan(0.3)
        // But for the border between the halves, whose smoothed brightness is that of a shadow up to a few places in.
        ->and(detail($reference, $blown, true)->kept()[0])->toBeGreaterThan(0.9);
});

it('measures grain where nothing moves', function () {
    $still = texture();
    $grainy = function (int $seed, float $strength) use ($still): Plane {
        $noise = noise($seed, SIDE * SIDE);

        return planeWith($still, fn (int $sample, int $i): float => $sample + $strength * $noise[$i]);
    };
    $left = fn (float $strength): ?float => grain($grainy(3, 16), $grainy(4, 16), $grainy(3, $strength), $grainy(4, $strength));
    // The whole picture brightens: that is motion, and says nothing of grain.
    $moved = planeWith($grainy(4, 16), fn (int $sample): int => $sample + 60);

    expect($left(16))->toBe(1.0)
        ->and($left(8))->toEqualWithDelta(0.25, 0.02) // rounding to whole codes
        ->and(falling([$left(16), $left(12), $left(8), $left(4), $left(0)]))->toBeTrue()
        ->and($left(0))->toBe(0.0)
        ->and($left(24))->toBeGreaterThan(2.0)
        ->and(grain($grainy(3, 16), $moved, $grainy(3, 16), $moved))->toBeNull();
});

it('sees bands where a gentle ramp lost its bits, and none where it was dithered', function () {
    $noise = noise(5, SIDE * SIDE);
    // 40 codes over the width: dusk, a wall.
    $ramp = fn (float $dither): Plane => plane(fn (int $x, int $y, int $i): float => 200 + 40 * $x / SIDE + $dither * $noise[$i]);
    $bits = fn (int $bits): Plane => planeWith($ramp(0), fn (int $sample): int => $sample >> 10 - $bits << 10 - $bits);
    $ditheredTo8 = planeWith(
        plane(fn (int $x): float => 200 + 40 * $x / SIDE),
        fn (int $sample, int $i): int => (int) floor($sample / 4 + 0.5 + $noise[$i] / 2) * 4,
    );
    $of = fn (Plane $plane): float => Banding::of($plane, 1080);

    expect($of(plane(fn (): int => 300)))->toBe(0.0)
        ->and($of(texture()))->toBe(0.0)
        ->and($of($ramp(1)))->toBeLessThan(0.01 * $of($bits(6)))
        ->and($of($ditheredTo8))->toBeLessThan(0.01 * $of($bits(8)))
        ->and(falling([$of($bits(6)), $of($bits(7)), $of($bits(8)), $of($ramp(0)), $of($ramp(1))]))->toBeTrue()
        ->and($of($ramp(0)))->toBeLessThan(0.1 * $of($bits(6)));
});

it('names what became of the tones', function (Closure $change, ToneChange $is, float $shift) {
    // Twelve patches from dark to bright, with grain.
    $noise = noise(7, SIDE * SIDE);
    $reference = plane(fn (int $x, int $y, int $i): float => 80 + 72 * (intdiv($x, 24) + 4 * intdiv($y, 32)) + 8 * $noise[$i]);
    $patches = plane(fn (int $x, int $y): int => 80 + 72 * (intdiv($x, 24) + 4 * intdiv($y, 32)));
    // The grain goes, which is no change of tone.
    $tone = tone($reference, planeWith($patches, $change));

    // What the mean of the grain comes to in a patch, smoothed, and rounding: two codes.
    expect($tone->change())->toBe($is)->and($tone->shift())->toEqualWithDelta($shift, 0.0025);
})->with([
    'brighter' => [fn (int $s): int => $s + 30, ToneChange::Brighter, 30 / 876],
    'darker' => [fn (int $s): int => $s - 30, ToneChange::Darker, -30 / 876],
    'full taken for narrow' => [fn (int $s): float => 64 + $s * 876 / 1023, ToneChange::Narrowed, -61 / 876],
    'narrow taken for full' => [fn (int $s): float => ($s - 64) * 1023 / 876, ToneChange::Widened, 72 / 876],
    'blacks lifted' => [fn (int $s): int => max($s, 110), ToneChange::Lifted, 30 / 876],
    'blacks crushed' => [fn (int $s): int => $s < 130 ? 64 : $s, ToneChange::Crushed, -16 / 876],
    'rounded to 8 bits' => [fn (int $s): int => $s + 2 >> 2 << 2, ToneChange::None, 0.0],
]);

it('finds a shift of frames, and frames that were repeated or left out', function () {
    // A bright bar walks over a small picture.
    $frame = fn (int $at): string => implode('', array_map(
        fn (int $i): string => chr(abs($i % 32 - $at % 32) < 3 ? 200 : 20),
        range(0, 32 * 18 - 1),
    ));
    $walk = array_map($frame, range(0, 19));
    $of = function (array $shown) use ($walk, $frame): array {
        $found = Alignment::of($walk, array_map($frame, $shown));

        return [$found->shift, $found->repeated, $found->dropped];
    };

    expect($of(range(0, 19)))->toBe([0, 0, 0])
        ->and($of([0, ...range(0, 18)])[0])->toBe(1)
        ->and($of(range(2, 19)))->toBe([-2, 0, 0])
        ->and($of([...range(0, 9), 9, ...range(11, 19)]))->toBe([0, 1, 1])
        ->and(Alignment::of([$walk[0], $walk[0]], [$walk[0], $walk[0]])->repeated)->toBe(0);
});

it('speaks of the worst second beside the mean', function () {
    $frames = [...array_fill(0, 475, 0.99), ...array_fill(0, 25, 0.8)];

    expect(OverTime::decibels(0.99))->toEqualWithDelta(20.0, 1e-9)
        ->and(OverTime::worstSecond($frames, 25))->toEqualWithDelta(0.9805, 1e-6) // between the worst and the next of 20 seconds
        ->and(OverTime::worstSecond([0.5], 25))->toBe(0.5)
        ->and(OverTime::worstSecond([...array_fill(0, 25, 1.0), 0.0], 25))->toEqualWithDelta(25 / 26, 1e-9)
        ->and(OverTime::percentile([1.0, 2.0, 3.0], 0.5))->toBe(2.0);
});

it('takes no plane with too few samples', function () {
    expect(fn () => new Plane(4, 4, [1, 2, 3]))->toThrow(InvalidArgumentException::class)
        ->and(Plane::ofBytes(2, 1, "\x01\x00\xff\x03")->samples)->toBe([1, 1023]);
});

it('says where detail was lost and bands came, and nowhere else', function () {
    $side = 128;
    $noise = noise(5, $side * $side);
    $of = fn (Closure $at): Plane => new Plane($side, $side, array_map(
        fn (int $i): int => max(0, min(1023, (int) round($at($i % $side, intdiv($i, $side), $i)))),
        range(0, $side * $side - 1),
    ));
    // Texture at the left, a dark ramp without dither steps at the right.
    $scene = fn (Closure $texture, Closure $ramp): Plane => $of(
        fn (int $x, int $y, int $i): float => $x < $side / 2 ? 500 + $texture($x, $y) : $ramp(140 + 0.25 * $y + 0.7 * $noise[$i]),
    );
    $rough = fn (int $x, int $y): float => 60 * (($x + $y) % 2) + 20 * sin($x);
    $same = fn (float $value): float => $value;
    $cut = $scene($rough, $same);
    $none = FaultMap::of($cut, $cut, 1080);
    $worse = FaultMap::of($cut, $scene(fn (int $x): float => 20 * sin($x), fn (float $value): float => 8 * floor($value / 8)), 1080);
    $half = fn (array $cells, bool $left): array => array_values(array_filter(
        $cells,
        // The cells at the border hold some of both.
        fn (int $i): bool => $left ? $i % 16 < 7 : $i % 16 > 8,
        ARRAY_FILTER_USE_KEY,
    ));
    $told = $worse->toArray();
    expect([$none->lost(), $none->banded(), $none->words()])->toBe([0.0, 0.0, ''])
        ->and([$told['columns'], $told['rows']])->toBe([16, 16])
        ->and(array_unique($half($told['lost'], true)))->toBe([true])
        ->and(array_sum($half($told['banded'], true)))->toBe(0)
        ->and(array_sum($half($told['banded'], false)))->toBeGreaterThan(30)
        ->and($worse->words())->toMatch('~^detail lost in \d+\x{2009}%, bands in \d+\x{2009}%$~u')
        ->and(fn () => FaultMap::of($cut, texture(), 1080))->toThrow(InvalidArgumentException::class);
});

it('tells the same picture from another, whatever a host did to its tones', function () {
    $picture = function (int $seed, int $frame, float $gain, int $lift, int $noise): string {
        $wave = fn (int $i): float => 60 * sin($i / (4 + $seed) + $frame / 3);
        $samples = array_map(
            fn (float $value, int $i): string => chr((int) max(0, min(255, 100 + $lift + $gain * $wave($i) + $noise * $value))),
            noise($seed + $frame, 576),
            range(0, 575),
        );

        return implode('', $samples);
    };
    $little = fn (int $seed, float $gain = 1.0, int $lift = 0, int $noise = 0): array => array_map(
        fn (int $frame): string => $picture($seed, $frame, $gain, $lift, $noise),
        range(0, 9),
    );
    $own = $little(1);
    expect(SamePicture::of($own, $own))->toEqualWithDelta(1.0, 1e-9)
        ->and(SamePicture::of($own, $little(1, 0.5, 40)))->toBeGreaterThan(0.999)
        ->and(SamePicture::of($own, $little(1, noise: 20)))->toBeGreaterThan(SamePicture::SAME)
        ->and(SamePicture::of($own, $little(3)))->toBeLessThan(SamePicture::SAME)
        // Two frames late: at its own place it is another picture, two frames on the same.
        ->and(SamePicture::of($own, [...array_slice($little(2), 0, 2), ...$own], 2))->toEqualWithDelta(1.0, 1e-9)
        // An even grey looks like any other, and like nothing else.
        ->and(SamePicture::of([str_repeat('a', 576)], [str_repeat('z', 576)]))->toBe(1.0)
        ->and(SamePicture::of([str_repeat('a', 576)], [$own[0]]))->toBe(0.0)
        ->and(SamePicture::of([], $own))->toBe(0.0);
});

it('takes a piece that begins with a keyframe for a stream that has fewer of them', function (array $frames, int $every, float $mean) {
    expect(OverTime::ofPiece($frames, $every))->toEqualWithDelta($mean, 1e-9);
})->with([
    'as many keyframes there as here' => [[1.0, 0.5, 0.5, 0.5], 4, 0.625],
    'every frame a keyframe' => [[0.9, 0.8, 0.7, 0.6], 1, 0.75],
    // The keyframe and the one after it are two of a hundred; the last two stand for the other 98.
    'a keyframe in a hundred' => [[1.0, 0.6, 0.5, 0.4], 100, (1.6 + 98 * 0.45) / 100],
    'too short to tell' => [[1.0, 0.5], 100, 0.75],
    'nothing wears off' => [array_fill(0, 25, 0.8), 125, 0.8],
]);
