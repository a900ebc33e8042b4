<?php

use OuterCrate\Hosts\Tables\HostRows;
use OuterCrate\Hosts\Tables\PastedTable;
use OuterCrate\Hosts\Tables\RateWords;
use OuterCrate\Hosts\Tables\TableFigure;

/** What a table says, a figure a line: side, rate class, dynamic range, range in Mb/s. */
function said(string $text): array
{
    $mega = fn (?int $bits): string => $bits === null ? '' : (string) ($bits / 1_000_000);

    return array_map(
        fn (TableFigure $of): string => trim(
            "{$of->shorterSide} ".
            match ($of->forHigh) {
                true => 'high ', false => 'usual ', null => ''
            }.
            match ($of->forHdr) {
                true => 'HDR ', false => 'SDR ', null => ''
            }.
            ($of->low === $of->high ? $mega($of->low) : "{$mega($of->low)}–{$mega($of->high)}").
            ($of->guessed ? ' guessed' : ''),
        ),
        PastedTable::read($text)['figures'],
    );
}

it('reads a table as help pages write it', function (string $text, array $figures) {
    expect(said($text))->toBe($figures);
})->with([
    'tabs, units in the cells' => ["Size\tBitrate\n1080p\t8 Mbps\n720p\t5 Mbps", ['1080 8', '720 5']],
    'two columns of rates' => [
        "Resolution\tStandard frame rate (24, 25, 30)\tHigh frame rate (48, 50, 60)\n"
            ."2160p (4K)\t35–45 Mbps\t53–68 Mbps\n1080p\t8 Mbps\t12 Mbps",
        ['2160 usual 35–45', '2160 high 53–68', '1080 usual 8', '1080 high 12'],
    ],
    'unit in the heading' => ["Frame\tRate in Mb/s\n2160p\t40 to 60\n1440p\t16", ['2160 40–60', '1440 16']],
    'unit in the heading, kilobits' => ["Size;kbit/s\n1080;8 000\n720;5 000", ['1080 8', '720 5']],
    'decimal commas' => ["Größe;Mbit/s\n1080p;7,5\n480p;2,5", ['1080 7.5', '480 2.5']],
    'thousands with a comma' => ["Size\tkbps\n1080p\t8,000\n720p\t5,000 kbps", ['1080 8', '720 5']],
    'CSV' => ["size,rate\n1080p,8 Mbps\n720p,5 Mbps", ['1080 8', '720 5']],
    'CSV in quotes' => ["\"1080p\",\"7,5 Mbit/s\"\n\"720p\",\"4,5 Mbit/s\"", ['1080 7.5', '720 4.5']],
    'Markdown' => ["| Size | Mbps |\n|------|-----:|\n| 1080p | 8 |\n| 720p | 5 |", ['1080 8', '720 5']],
    'columns of spaces' => ["Size       Rate\n1080p      8 Mb/s\n720p       5 Mb/s", ['1080 8', '720 5']],
    'text with colons' => ["1080p: 8 Mbps\n720p: 5 Mbps", ['1080 8', '720 5']],
    'text with spaces' => ["4K 45 Mbps\n1080p 8 Mbps", ['2160 45', '1080 8']],
    'names of sizes' => [
        "8K\t120 Mbps\nUltra HD\t45 Mbps\nQHD\t16 Mbps\nFull HD\t8 Mbps\nHD\t5 Mbps",
        ['4320 120', '2160 45', '1440 16', '1080 8', '720 5'],
    ],
    'both sides of a frame' => ["3840 × 2160\t45 Mbps\n1920x1080\t8 Mbps\n1080×1920\t8 Mbps", ['2160 45', '1080 8', '1080 8']],
    'rate classes in the labels' => ["1080p60\t12 Mbps\n1080p30\t8 Mbps", ['1080 high 12', '1080 usual 8']],
    'SDR and HDR' => ["\tSDR (Mbps)\tHDR (Mbps)\n2160p\t45\t56\n1080p\t8\t10", ['2160 SDR 45', '2160 HDR 56', '1080 SDR 8', '1080 HDR 10']],
    'a heading of two lines' => [
        "Size\tSDR\t\tHDR\t\n\t30 fps\t60 fps\t30 fps\t60 fps\n1080p\t8 Mbps\t12 Mbps\t10 Mbps\t15 Mbps",
        ['1080 usual SDR 8', '1080 high SDR 12', '1080 usual HDR 10', '1080 high HDR 15'],
    ],
    'sections' => ["SDR\n1080p\t8 Mbps\nHDR\n1080p\t10 Mbps", ['1080 SDR 8', '1080 HDR 10']],
    'rates under a size' => ["1080p\n24/25/30 fps\t8 Mbps\n48/50/60 fps\t12 Mbps", ['1080 usual 8', '1080 high 12']],
    'sizes across' => [
        "\t2160p\t1080p\n30 fps\t40 Mbps\t8 Mbps\n60 fps\t60 Mbps\t12 Mbps",
        ['2160 usual 40', '1080 usual 8', '2160 high 60', '1080 high 12'],
    ],
    'footnotes' => ["1080p\t8 Mbps*\n720p\t5 Mbps[1]\n* Higher for sport.", ['1080 8', '720 5']],
    'a unit said below' => ["1080p\t8\n720p\t5\nAll values in Mbps.", ['1080 8', '720 5']],
    'from and up to' => ["1080p\tup to 12 Mbps\n720p\tat least 5 Mbps", ['1080 –12', '720 5–']],
    'lowest and highest in columns' => ["Size\tMin (kbps)\tMax (kbps)\n1080p\t6000\t12000", ['1080 6–12']],
    'letters for units' => ["1080p\t8000k\n720p\t5M", ['1080 8', '720 5']],
    'two units in a range' => ["480p\t800 kb/s to 1.2 Mb/s", ['480 0.8–1.2']],
    'no unit at all' => ["1080p\t8000\n720p\t5000", ['1080 8 guessed', '720 5 guessed']],
    'no unit, small figures' => ["1080p\t8\n720p\t5", ['1080 8 guessed', '720 5 guessed']],
    'bytes' => ["1080p\t1 MB/s", ['1080 8']],
    'figures that might be sizes' => ["Size\tkbps\n480p\t720\n360\t480", ['480 0.72', '360 0.48']],
    'holes' => ["Size\t30 fps\t60 fps\n2160p\t40 Mbps\t–\n1080p\t8 Mbps\tn/a", ['2160 usual 40', '1080 usual 8']],
    'columns about something else' => ["Size\tVideo (Mbps)\tAudio (kbps)\n1080p\t8\t384", ['1080 8']],
    'brackets beside figures' => ["1080p\t8 Mbps (12 Mbps for sport)", ['1080 8']],
    'nothing' => ['', []],
    'no table' => ["Upload a file that you have the rights to.\nIt takes a while.", []],
]);

it('makes rows of a host file of what it read', function () {
    $rows = fn (string $text): array => HostRows::of(PastedTable::read($text)['figures']);
    expect($rows("Size\tNormal frame rate\tHigh frame rate\n720p\t5 Mbps\t7,5 Mbps\n2160p\t35–45 Mbps\t53–68 Mbps"))
        ->toBe([
            ['shorterSide' => 2160, 'kbps' => 35_000, 'toKbps' => 45_000, 'highKbps' => 53_000, 'highToKbps' => 68_000],
            ['shorterSide' => 720, 'kbps' => 5_000, 'highKbps' => 7_500],
        ])
        ->and($rows("\tSDR\tHDR\n1080p\tup to 8 Mbps\t10 Mbps"))
        ->toBe([['shorterSide' => 1080, 'kbps' => 8_000, 'hdrKbps' => 10_000, 'peakKbps' => 8_000]]);
});

it('says which lines it did not understand', function () {
    $read = PastedTable::read("1080p\t8 Mbps\n720p\tsee below\n* More for sport.");
    expect($read['remarks'])->toBe([2 => 'see below', 3 => 'More for sport.']);
});

// The same table binds the field in which a rate is typed (tests/Page/rate.test.ts): what is pasted is read as what is typed.
it('reads a rate as the field does in which it is typed', function (string $text, int $unit, int $kbps, ?int $to) {
    $rate = RateWords::of($text, $unit * 1_000);

    expect([$rate?->low, $rate?->high])->toBe([$kbps * 1_000, ($to ?? $kbps) * 1_000]);
})->with(json_decode((string) file_get_contents(__DIR__.'/../Support/rates.json')));
