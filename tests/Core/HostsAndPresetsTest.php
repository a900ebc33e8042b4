<?php

use OuterCrate\Hosts\Host;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;
use Tests\Support\Desk;

it('looks up what a host asks by size, rate and HDR', function (string $host, string $size, string $rate, bool $hdr, int $kbps) {
    expect(Desk::host($host)->asks->average(FrameSize::parse($size), FrameRate::parse($rate), $hdr)->inKilobits())->toBe($kbps);
})->with([
    ['lanternwick', '3840x2160', '25', false, 40_000],
    ['lanternwick', '3840x2160', '50', false, 60_000],
    ['lanternwick', '3840x2160', '50', true, 75_000],
    ['lanternwick', '7680x4320', '25', false, 40_000],
    ['lanternwick', '1920x1080', '30', false, 9_000],
    ['lanternwick', '1920x1080', '29.97', false, 9_000],
    ['lanternwick', '1080x1920', '59.94', false, 14_000],
    ['lanternwick', '960x540', '25', false, 5_500],
    ['lanternwick', '854x480', '25', false, 3_000],
    ['lanternwick', '160x120', '25', false, 1_200],
    ['platen', '1920x1080', '60', false, 12_000],
    ['tallgate', '720x1280', '60', false, 12_000],
    ['orrery', '5760x2880', '30', false, 60_000],
]);

it('asks for another codec above a width', function () {
    expect(Desk::host('orrery')->asks->codecFor(5760)['codec'])->toBe('hevc')
        ->and(Desk::host('orrery')->asks->codecFor(3840)['codec'])->toBe('h264');
});

it('says its asks in words', function () {
    $words = array_column(Desk::host('lanternwick')->asks->inWords(), 'text', 'label');
    expect(str_replace("\u{2009}", ' ', implode('; ', $words)))
        ->toBe('MP4, fast start; H.264 High, 4:2:0; at least 24 fps for HD; closed GOP, at most 2 B-frames in a row, no pyramid; AAC 320 kb/s, 48 kHz, −15 LUFS; 12:00:00, 200 GB');
});

it('asks nothing where a host says nothing', function () {
    $silent = Host::fromFile('silent', ['name' => 'Silent', 'asks' => []])->asks;
    expect($silent->average(new FrameSize(1920, 1080), FrameRate::of(25), false))->toBeNull()
        ->and($silent->codecFor(1920))->toBeNull()
        ->and($silent->takesCodec('prores'))->toBeTrue()
        ->and($silent->inWords())->toBe([]);
});

it('lays edits over rules: named values merge, a word or another kind replaces', function (array $rules, array $edits, array $expected) {
    expect((new Rules($rules))->with(new Rules($edits))->rules)->toBe($expected);
})->with([
    'one figure of a rate' => [['rate' => ['mode' => 'vbr', 'passes' => 2]], ['rate' => ['passes' => 1]], ['rate' => ['mode' => 'vbr', 'passes' => 1]]],
    'a word over values' => [['sound' => ['codec' => 'aac']], ['sound' => 'none'], ['sound' => 'none']],
    'values over a word' => [['picture' => 'host'], ['picture' => ['codec' => 'hevc']], ['picture' => ['codec' => 'hevc']]],
    'another way of size' => [['frameSize' => ['follow' => 'stored']], ['frameSize' => ['fit' => '1280×720']], ['frameSize' => ['fit' => '1280×720']]],
    'another codec forgets the profile' => [['picture' => ['codec' => 'h264', 'profile' => 'high']], ['picture' => ['codec' => 'prores']], ['picture' => ['codec' => 'prores']]],
    'the same codec keeps it' => [['picture' => ['codec' => 'h264', 'profile' => 'high']], ['picture' => ['effort' => 'slow']], ['picture' => ['codec' => 'h264', 'profile' => 'high', 'effort' => 'slow']]],
]);

it('refuses a preset without a name or a role', fn () => Preset::fromFile('x', ['name' => 'X', 'role' => 'poster']))->throws(InvalidArgumentException::class);

it('lays rules over rules: another way of saying a thing replaces the old one, the rest stays', function (string $cell, mixed $below, mixed $edit, mixed $expected) {
    expect((new Rules([$cell => $below]))->with(new Rules([$cell => $edit]))->rules[$cell])->toEqual($expected);
})->with([
    'a word replaces' => ['sound', ['codec' => 'aac', 'kbps' => 320], 'none', 'none'],
    'a value beside a word' => ['sound', 'host', ['loudness' => -15], ['as' => 'host', 'loudness' => -15]],
    'another codec drops the old one’s settings' => ['sound', ['codec' => 'aac', 'kbps' => 320, 'loudness' => -15], ['codec' => 'pcm'], ['codec' => 'pcm', 'loudness' => -15]],
    'the same codec keeps them' => ['picture', ['codec' => 'h264', 'profile' => 'high'], ['codec' => 'h264', 'effort' => 'slow'], ['codec' => 'h264', 'profile' => 'high', 'effort' => 'slow']],
    'a codec in place of none' => ['picture', 'none', ['codec' => 'h264'], ['codec' => 'h264']],
    'a size is said in one way' => ['frameSize', ['exact' => '720×576', 'display' => '4:3', 'projection' => 'none'], ['fit' => '640×360'], ['fit' => '640×360', 'projection' => 'none']],
    'a rate too' => ['frameRate', ['halve' => true, 'by' => 'blend'], ['exact' => '25'], ['exact' => '25', 'by' => 'blend']],
    'seconds in place of frames' => ['keyframes', ['frames' => 15, 'closed' => true], ['seconds' => 1], ['seconds' => 1, 'closed' => true]],
    'null takes back what the preset says' => ['colour', ['convert' => 'bt709', 'bitDepth' => 8], ['convert' => null], ['convert' => null, 'bitDepth' => 8]],
]);
