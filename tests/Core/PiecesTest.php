<?php

use OuterCrate\Pieces\NoPieces;
use OuterCrate\Pieces\Piece;
use OuterCrate\Pieces\PieceList;
use OuterCrate\Pieces\Pieces;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\Timecode;

/** @return list<string> number, frames and name of each */
function inWords(array $pieces): array
{
    return array_map(
        fn (Piece $piece): string => trim("{$piece->number} {$piece->frames->first}-{$piece->frames->last} {$piece->name}"),
        $pieces,
    );
}

/** What a list says of a cut of 1000 frames that begins at 10:00:00:00. */
function listed(string $text, string $rate = '25', ?FrameRange $range = null): array
{
    $rate = FrameRate::parse($rate);
    $start = $rate->perSecond->denominator === 1 ? '10:00:00:00' : '10:00:00;00';

    return inWords((new PieceList(Timecode::parse($start, $rate), $range ?? FrameRange::whole(1000)))->read($text));
}

it('divides a range so that every frame is in one piece', function () {
    expect(inWords(Pieces::at(FrameRange::whole(100), [50 => 'Second', 20 => ''])))->toBe(['01 0-19', '02 20-49', '03 50-99 Second'])
        // What lies before the range names its first piece; what lies behind it begins nothing.
        ->and(inWords(Pieces::at(new FrameRange(10, 29), [5 => 'Early', 20 => 'Late', 30 => 'Out'])))
        ->toBe(['01 10-19 Early', '02 20-29 Late'])
        ->and(inWords(Pieces::at(new FrameRange(10, 29), [])))->toBe(['01 10-29']);
    for ($seed = 1; $seed <= 40; $seed++) {
        mt_srand($seed);
        $range = new FrameRange(mt_rand(0, 50), mt_rand(60, 900));
        $points = array_fill_keys(array_map(fn (): int => mt_rand(0, 950), range(1, mt_rand(1, 120))), '');
        $next = $range->first;
        foreach (Pieces::at($range, $points) as $piece) {
            expect($piece->frames->first)->toBe($next)->and(strlen($piece->number))->toBe(count($points) > 99 ? strlen($piece->number) : 2);
            $next = $piece->frames->last + 1;
        }
        expect($next)->toBe($range->last + 1);
    }
});

it('reads lists of other programs', function (string $text, array $pieces, string $rate = '25', ?FrameRange $range = null) {
    expect(listed($text, $rate, $range))->toBe($pieces)
        // However its lines end, and with a mark of its order of bytes.
        ->and(listed("\xEF\xBB\xBF".str_replace("\n", "\r\n", $text), $rate, $range))->toBe($pieces);
})->with([
    'EDL' => [
        <<<'EDL'
        TITLE: NIGHT FIRING
        FCM: NON-DROP FRAME

        001  AX       V     C        00:00:10:00 00:00:14:00 10:00:00:00 10:00:04:00
        * FROM CLIP NAME: Kiln wide
        002  AX       AA    C        00:00:10:00 00:00:14:00 10:00:00:00 10:00:04:00
        003  BL       V     D    025 00:00:20:00 00:00:26:12 10:00:04:00 10:00:10:12
        EDL,
        ['01 0-99 Kiln wide', '02 100-261 BL'],
    ],
    'EDL, in a range' => [
        "001  AX V C 00:00:10:00 00:00:14:00 10:00:00:00 10:00:04:00\n002  AX V C 00:00:10:00 00:00:14:00 10:00:04:00 10:00:08:00",
        ['01 50-99 AX', '02 100-119 AX'], '25', new FrameRange(50, 119),
    ],
    'frames' => ["0\n100\n250", ['01 0-99', '02 100-249', '03 250-999']],
    'timecodes with names' => [
        "start,name\n10:00:04:00,\"Kiln, open\"\n10:00:10:00,Cooling", ['01 0-99', '02 100-249 Kiln, open', '03 250-999 Cooling'],
    ],
    'spans' => ["10:00:00:00;10:00:04:00;One\n10:00:05:00;10:00:06:00;Two", ['01 0-99 One', '02 125-149 Two']],
    'tabs, and a remark' => ["# from the log\n10:00:04:00\tOpening\n", ['01 0-99', '02 100-999 Opening']],
    'dropped frames' => ["10:00:26;20\n", ['01 0-799', '02 800-999'], '30000/1001', null],
    'chapters' => [
        "WEBVTT\n\n1\n00:00.000 --> 00:04.000\nOpening\n\n00:00:04.000 --> 01:00:00.000\nThe rest\n",
        ['01 0-99 Opening', '02 100-999 The rest'],
    ],
]);

it('says what is wrong with a list, and where', function (string $text, string $says) {
    expect(fn () => listed($text))->toThrow(NoPieces::class, $says);
})->with([
    ['', 'There is no place in this list'],
    ['start,end,name', 'There is no place in this list'],
    ["100\nsoon\n200", 'Line 2: “soon” is no place'],
    ["10:00:04:00\n10:00:04:31", 'Line 2: 10:00:04:31 names a frame that is not there at 25 fps'],
    ['10:00:04:00,10:00:03:00', 'Line 1: it ends before it begins'],
    ["100,200\n150,300", 'Two pieces overlap: frames 100 to 199 and 150 to 299'],
    ["100,200\n300", 'some lines have an end and some have none'],
    ['20:00:00:00', 'None of these places lies in the range'],
    ["WEBVTT\n\n02:00:00.000 --> 02:00:01.000\nLate", 'None of these places lies in the range'],
    [implode("\n", range(1, 600)), 'These are 601 pieces; 500 are the most'],
]);

it('reads a list ten times as long in about ten times as long', function () {
    $seconds = function (int $lines): float {
        $text = implode("\n", array_map(fn (int $i): string => "{$i},Name {$i}", range(1, $lines)));
        $begun = hrtime(true);
        try {
            listed($text, range: FrameRange::whole(10_000_000));
        } catch (NoPieces) {
            // That many pieces are refused.
        }

        return (hrtime(true) - $begun) / 1e9;
    };
    $seconds(500);
    // Where each line looked at all of them it was a hundred times as long.
    expect($seconds(40_000) / $seconds(4_000))->toBeLessThan(40);
});
