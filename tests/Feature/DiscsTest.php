<?php

use Symfony\Component\Process\Process;

it('makes an HD disc’s stream with its slices, its buffer and its pictures’ times in it', function () {
    $run = delivered('few', 'hd-disc', ['video' => ['effort' => 'fast']]);
    expect(unwanted($run))->toBe([]);
    // The engine reads every header of the stream: ISO/IEC 14496-10, 7.3.2, E.1 and D.1.
    $process = new Process([
        'ffmpeg', '-v', 'verbose', '-nostdin', '-i', $run->file, '-map', '0:v', '-c', 'copy', '-bsf:v', 'trace_headers', '-f', 'null', '-',
    ]);
    $process->mustRun();
    $said = function (string $field) use ($process): array {
        preg_match_all('~ '.preg_quote($field, '~').' +[01]+ = (\d+)~', $process->getErrorOutput(), $values);

        return array_map(intval(...), $values[1]);
    };
    $bits = fn (string $scale, string $value, int $least): int => ($said($value)[0] + 1) * 2 ** ($said($scale)[0] + $least);
    expect($said('level_idc')[0])
        ->toBe(41)
        ->and([$said('nal_hrd_parameters_present_flag')[0], $said('pic_struct_present_flag')[0], $said('frame_mbs_only_flag')[0]])
        ->toBe([1, 1, 0])
        ->and($bits('bit_rate_scale', 'bit_rate_value_minus1[0]', 6))
        ->toBeLessThanOrEqual(40_000_000)
        ->and($bits('cpb_size_scale', 'cpb_size_value_minus1[0]', 4))
        ->toBeLessThanOrEqual(30_000_000)
        ->toBeGreaterThan(29_000_000)
        ->and(count($said('first_mb_in_slice')))
        ->toBe(4 * 12);
});

it('never draws an archive’s pixels anew: an odd edge is kept, or cut off where it cannot be stored', function (
    string $chroma,
    string $size,
    string $cropped,
) {
    $edits = ['frameSize' => ['follow' => 'stored'], 'colour' => ['chroma' => $chroma, 'bitDepth' => 8]];
    $run = delivered('odd', 'lossless-vault', $edits);
    $grey = fn (string $path, string $crop): string => (new Process([
        'ffmpeg', '-v', 'error', '-nostdin', '-i', $path, '-map', '0:v', '-vf', "{$crop}extractplanes=y", '-f', 'md5', '-',
    ]))->mustRun()->getOutput();
    $video = $run->slip['reading']['video'][0];
    expect(unwanted($run))
        ->toBe([])
        ->and("{$video['width']}×{$video['height']}")
        ->toBe($size)
        ->and($grey($run->file, ''))
        ->toBe($grey($this->clip('odd'), $cropped));
})->with([['4:4:4', '161×91', ''], ['4:2:0', '160×90', 'crop=160:90:0:0:exact=1,']]);
