<?php

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;
use OuterCrate\Units\NumberTooLarge;
use OuterCrate\Units\Timecode;

it('keeps fractions exact and in lowest terms', function () {
    expect((string) new Fraction(60, -1002))
        ->toBe('-10/167')
        ->and((string) Fraction::parse('30000/1001')->times(Fraction::parse('1001'))->over(1000))
        ->toBe('30')
        ->and((string) Fraction::parse('12.520000'))
        ->toBe('313/25')
        ->and((string) Fraction::parse('1.8'))
        ->toBe('9/5')
        ->and(Fraction::tryParse('0/0'))
        ->toBeNull()
        ->and(Fraction::tryParse('N/A'))
        ->toBeNull()
        ->and((new Fraction(-7, 2))->floor())
        ->toBe(-4)
        ->and((new Fraction(5, 2))->round())
        ->toBe(3)
        ->and((new Fraction(1, 3))->compare(new Fraction(-1, 2)))
        ->toBe(1)
        ->and((new Fraction(-1, 3))->compare(new Fraction(-1, 2)))
        ->toBe(1)
        ->and((new Fraction(0))->compare(0))
        ->toBe(0);
});

it('obeys the laws of arithmetic on many fractions', function () {
    mt_srand(11);
    for ($i = 0; $i < 500; $i++) {
        [$a, $b] = [new Fraction(mt_rand(-999, 999), mt_rand(1, 999)), new Fraction(mt_rand(1, 999), mt_rand(1, 999))];
        expect($a->times($b)->over($b)->equals($a))
            ->toBeTrue()
            ->and($a->compare($b))
            ->toBe($a->toFloat() <=> $b->toFloat())
            ->and($a->round())
            ->toBe((int) floor($a->toFloat() + 0.5));
    }
});

it('refuses what is no fraction', fn () => Fraction::parse('1/0'))->throws(InvalidArgumentException::class);

it('says frame rates as people do and keeps them exact', function (string $exact, string $label) {
    $rate = FrameRate::parse($exact);
    expect($rate->label())->toBe($label)->and((string) FrameRate::parse($label))->toBe($exact);
})->with([['24000/1001', '23.976'], ['25', '25'], ['30000/1001', '29.97'], ['60000/1001', '59.94'], ['60', '60']]);

it('counts frames without drifting', function () {
    $ntsc = FrameRate::parse('30000/1001');
    expect($ntsc->framesIn($ntsc->secondsOf(1_000_003)))
        ->toBe(1_000_003)
        ->and(FrameRange::whole(250)->last)
        ->toBe(249)
        ->and((new FrameRange(10, 19))->count())
        ->toBe(10)
        ->and(
            array_map(fn (array $other): bool => (new FrameRange(10, 19))->contains(new FrameRange(...$other)), [
                [10, 19],
                [11, 12],
                [9, 19],
                [10, 20],
            ]),
        )
        ->toBe([true, true, false, false]);
});

it('refuses rates of 0 and above 1000', fn (string $rate) => FrameRate::parse($rate))
    ->with(['0', '-25', '1001'])
    ->throws(InvalidArgumentException::class);

it('fits frames inside bounds, keeps their shape, never enlarges, and stays even', function (
    string $size,
    string $bounds,
    string $expected,
) {
    expect((string) FrameSize::parse($size)->fitInside(FrameSize::parse($bounds)))->toBe($expected);
})->with([
    ['3840x2160', '1920x1080', '1920×1080'],
    ['640x480', '1920x1080', '640×480'],
    ['4096x1716', '1920x1080', '1920×804'],
    ['1080x1920', '1920x1080', '608×1080'],
    ['641x481', '1920x1080', '640×480'],
    ['2000x2000', '1920x1080', '1080×1080'],
]);

it('never lets a fitted frame leave its bounds', function () {
    mt_srand(5);
    for ($i = 0; $i < 400; $i++) {
        $bounds = new FrameSize(mt_rand(16, 4000), mt_rand(16, 4000));
        $fitted = (new FrameSize(mt_rand(16, 8000), mt_rand(16, 8000)))->fitInside($bounds);
        expect(($fitted->width % 2) + ($fitted->height % 2))
            ->toBe(0)
            ->and($fitted->width)
            ->toBeLessThanOrEqual($bounds->width + 1)
            ->and($fitted->height)
            ->toBeLessThanOrEqual($bounds->height + 1);
    }
});

it('says rates, sizes and lengths with their units', function (string|Stringable $value, string $text) {
    expect((string) $value)->toBe(str_replace(' ', "\u{2009}", $text));
})->with([
    [new Bitrate(9_900_000), '9.9 Mb/s'],
    [new Bitrate(14_850_000), '14.9 Mb/s'],
    [new Bitrate(320_000), '320 kb/s'],
    [new Bitrate(118_300_000), '118 Mb/s'],
    [new ByteCount(0), '0 B'],
    [new ByteCount(147_900_000), '148 MB'],
    [new ByteCount(12_840_000), '12.8 MB'],
    [new ByteCount(999_600), '1.00 MB'],
    [new Duration(Fraction::parse('12.52')), '0:12.5'],
    [new Duration(new Fraction(59_96, 100)), '1:00'],
    [new Duration(new Fraction(3727)), '1:02:07'],
]);

it('reads lengths of time as people say them', function (string $text, ?int $seconds) {
    $read = fn (): int => Duration::parse($text)->seconds->round();
    $seconds === null ? expect($read)->toThrow(InvalidArgumentException::class, '42:10') : expect($read())->toBe($seconds);
})->with([
    ['0:42', 42],
    ['42:10', 2530],
    [' 1:05:00 ', 3900],
    ['90:00', 5400],
    ['42', null],
    ['1:75:00', null],
    ['0:61', null],
    ['', null],
    ['soon', null],
    ['-1:00', null],
]);

it('writes timecode, dropping numbers at 29.97 and 59.94 where asked', function (int $frame, string $rate, bool $drop, string $expected) {
    expect((string) new Timecode($frame, FrameRate::parse($rate), $drop))->toBe($expected);
})->with([
    [249, '25', false, '00:00:09:24'],
    [1799, '30000/1001', true, '00:00:59;29'],
    [1800, '30000/1001', true, '00:01:00;02'],
    [17_982, '30000/1001', true, '00:10:00;00'],
    [107_892, '30000/1001', true, '01:00:00;00'],
    [19_781, '30000/1001', true, '00:10:59;29'],
    [19_782, '30000/1001', true, '00:11:00;02'],
    [3600, '60000/1001', true, '00:01:00;04'],
    [39_564, '60000/1001', true, '00:11:00;04'],
]);

it('names a number that no file holds', function (Closure $reckon) {
    $large = new Fraction(PHP_INT_MAX - 1, 3);
    expect(fn () => $reckon($large))->toThrow(NumberTooLarge::class);
})->with([
    'multiplied' => [fn (Fraction $large) => $large->times(7)],
    'divided' => [fn (Fraction $large) => $large->over(new Fraction(1, 1_000_003))],
    'added' => [fn (Fraction $large) => $large->plus(new Fraction(PHP_INT_MAX - 6, 5))],
]);

it('keeps the clock of a timecode at another rate', function (string $timecode, string $from, string $to, string $expected) {
    expect((string) Timecode::parse($timecode, FrameRate::parse($from))->at(FrameRate::parse($to)))->toBe($expected);
})->with([
    'the same rate' => ['00:59:59;28', '30000/1001', '30000/1001', '00:59:59;28'],
    'drop frame to film' => ['00:59:59;28', '30000/1001', '24', '00:59:59:22'],
    'drop frame to twice the rate' => ['00:59:59;28', '30000/1001', '60000/1001', '00:59:59;56'],
    'a number that is dropped there' => ['00:01:00;02', '30000/1001', '60000/1001', '00:01:00;04'],
    'to half the rate' => ['00:01:00;05', '60000/1001', '30000/1001', '00:01:00;02'],
    'an hour that was counted through' => ['01:00:00:00', '30000/1001', '24000/1001', '01:00:00:00'],
    'fields drawn apart' => ['10:00:00:12', '25', '50', '10:00:00:24'],
    'a rate that drops nothing' => ['10:00:00:24', '25', '30000/1001', '10:00:00:28'],
]);

it('reads every timecode back that it writes', function (string $rate, bool $drop) {
    mt_srand(7);
    $rate = FrameRate::parse($rate);
    foreach (range(1, 400) as $i) {
        $frame = mt_rand(0, 24 * 3600 * 23);
        $text = (string) new Timecode($frame, $rate, $drop);
        expect(Timecode::parse($text, $rate)->frame)->toBe($frame, $text);
    }
})->with([['24000/1001', false], ['25', false], ['30000/1001', true], ['30000/1001', false], ['60000/1001', true]]);
