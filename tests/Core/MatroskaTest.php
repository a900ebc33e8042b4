<?php

use OuterCrate\Encoding\Elements\Ebml;
use OuterCrate\Reading\Matroska\PictureBlocks;
use OuterCrate\Reading\Packets\Packet;
use Tests\Support\Clips;

/** @return list<Packet>|null */
function packetsInBlocks(string $bytes): ?array
{
    $stream = fopen('php://memory', 'w+b');
    fwrite($stream, $bytes);

    return PictureBlocks::of($stream, strlen($bytes));
}

/** A track of a type (1 is a picture), with what else is said of it. */
function blockTrack(int $number, int $type, string ...$more): string
{
    return Ebml::element("\xAE", Ebml::unsigned("\xD7", $number).Ebml::unsigned("\x83", $type).implode('', $more));
}

/** The head of a block and its media: track, ticks after its cluster, flags. */
function blockOf(int $track, int $late, int $flags, int $bytes): string
{
    return chr(0x80 | $track).pack('n', $late & 0xFFFF).chr($flags).str_repeat('m', $bytes);
}

function segmentOf(string $tracks, string $blocks, string $info = ''): string
{
    return Ebml::element("\x1A\x45\xDF\xA3", '').Ebml::element("\x18\x53\x80\x67", implode('', [
        Ebml::element("\x15\x49\xA9\x66", $info),
        Ebml::element("\x16\x54\xAE\x6B", $tracks),
        Ebml::element("\x1F\x43\xB6\x75", Ebml::unsigned("\xE7", 1000).$blocks),
    ]));
}

it('lists the blocks of a picture, simple and in groups, and no other', function () {
    $simple = fn (string $block): string => Ebml::element("\xA3", $block);
    $group = fn (string $block, string $more): string => Ebml::element("\xA0", Ebml::element("\xA1", $block).$more);
    $packets = packetsInBlocks(segmentOf(
        blockTrack(1, 2).blockTrack(2, 1, Ebml::unsigned("\x23\xE3\x83", 40_000_000)),
        implode('', [
            $simple(blockOf(2, 0, 0x80, 900)),
            $simple(blockOf(1, 0, 0x80, 77)),
            $simple(blockOf(2, 160, 0, 30)),
            $group(blockOf(2, -40, 0, 20), Ebml::unsigned("\x9B", 80).Ebml::unsigned("\xFB", 1)),
            $group(blockOf(2, 240, 0, 800), ''),
        ]),
        Ebml::unsigned("\x2A\xD7\xB1", 500_000),
    ));

    expect(array_map(fn (Packet $packet): array => [$packet->shown, $packet->lasts, $packet->bytes, $packet->keyframe], $packets))
        ->toBe([[0.5, 0.04, 900, true], [0.58, 0.04, 30, false], [0.48, 0.04, 20, false], [0.62, 0.04, 800, true]]);
});

it('does not tell the blocks of what they do not tell', function (string $made) {
    expect(packetsInBlocks($made))->toBeNull();
})->with(function () {
    $block = Ebml::element("\xA3", blockOf(1, 0, 0x80, 9));
    $whole = segmentOf(blockTrack(1, 1), $block);

    return [
        'nothing' => [''],
        'another container' => [Ebml::element("\x18\x53\x80\x67", '')],
        'no segment' => [Ebml::element("\x1A\x45\xDF\xA3", 'x')],
        'a head without its end' => ["\x1A\x45\xDF\xA3\x01"],
        'cut off' => [substr($whole, 0, -1)],
        'a segment of no known size' => [str_replace("\x18\x53\x80\x67", "\x18\x53\x80\x67\xFF", $whole)],
        'two pictures' => [segmentOf(blockTrack(1, 1).blockTrack(2, 1), $block)],
        'sound alone' => [segmentOf(blockTrack(1, 2), $block)],
        'encrypted' => [segmentOf(blockTrack(1, 1, Ebml::element("\x6D\x80", '')), $block)],
        'frames without their head' => [segmentOf(blockTrack(1, 1, Ebml::element("\x86", 'V_PRORES')), $block)],
        'frames that share a block' => [segmentOf(blockTrack(1, 1), Ebml::element("\xA3", blockOf(1, 0, 0x86, 9)))],
        'a block without a head' => [segmentOf(blockTrack(1, 1), Ebml::element("\xA3", "\x81\0"))],
        'a group without a block' => [segmentOf(blockTrack(1, 1), Ebml::element("\xA0", Ebml::unsigned("\x9B", 1)))],
    ];
});

it('survives flipped and truncated files of blocks, without growing', function () {
    mt_srand(20261129);
    $seed = file_get_contents(Clips::make('closed-gop'));
    $run = function (int $times) use ($seed): int {
        $listed = 0;
        for ($i = 0; $i < $times; $i++) {
            $bytes = $seed;
            for ($flips = mt_rand(1, 8); $flips > 0; $flips--) {
                $bytes[mt_rand(0, min(2000, strlen($bytes) - 1))] = chr(mt_rand(0, 255));
            }
            $packets = packetsInBlocks($i % 4 === 0 ? substr($bytes, 0, mt_rand(0, strlen($bytes))) : $bytes);
            $listed += $packets === null ? 0 : 1;
            // What it lists lies in the file, once.
            expect(array_sum(array_column($packets ?? [], 'bytes')))->toBeLessThan(strlen($bytes))
                ->and(min([0, ...array_column($packets ?? [], 'bytes')]))->toBe(0);
        }

        return $listed;
    };
    $run(300);
    $before = memory_get_usage();

    expect($run(300))->toBeGreaterThan(30)->toBeLessThan(300)
        ->and(memory_get_usage() - $before)->toBeLessThan(1_000_000);
});
