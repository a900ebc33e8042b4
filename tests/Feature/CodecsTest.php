<?php

use OuterCrate\Formats\Catalogue;

it('makes every codec in every profile, in a container that carries it, as planned', function (
    string $codec,
    string $profile,
    string $container,
) {
    $catalogue = new Catalogue;
    $edits = [
        'container' => ['set' => $container],
        'video' => ['codec' => $codec, 'effort' => 'fast'] + ($profile === '' ? [] : ['profile' => $profile]),
        'bitrate' => ['mode' => $catalogue->video($codec)->rateModes()[0]->value],
        'audio' => $catalogue->container($container)->audioCodecs() === []
                ? 'none'
                : ['codec' => $catalogue->container($container)->audioCodecs()[0]],
    ];
    $kind = str_starts_with($profile, 'hd-') ? 'slow' : 'few';
    $run = packed($this->bringIn($kind)['id'], [
        ['preset' => 'archive-10-bit', 'edits' => $edits + ($kind === 'slow' ? ['frameRate' => ['exact' => '25']] : [])
            + ($codec === 'cfhd' ? ['frameSize' => ['exact' => '320×176']] : [])],
    ])[0];
    $differs = array_filter(
        $run['slip']['differences'] ?? [['cell' => 'no slip', 'text' => $run['error']]],
        fn (array $difference): bool => $difference['cell'] !== 'bitrate',
    );
    expect($run['state'])->toBe('done', (string) $run['error'])->and(array_values($differs))->toBe([]);
})->with(function () {
    $catalogue = new Catalogue;
    foreach ($catalogue->videoCodecs() as $id => $codec) {
        $containers = array_keys(
            array_filter($catalogue->containers(), fn ($container): bool => in_array($id, $container->videoCodecs(), true)),
        );
        foreach (array_keys($codec->profiles() ?: ['' => '']) as $i => $profile) {
            // One frame size of DNxHD is tried; its lowest profile has only the other.
            if ($profile !== 'hd-lb') {
                yield trim("{$id} {$profile} in {$containers[$i % count($containers)]}") => [
                    $id,
                    $profile,
                    $containers[$i % count($containers)],
                ];
            }
        }
    }
    foreach (['avi' => 'utvideo', 'webm' => 'av1', 'mpeg-ps' => 'mpeg2video', 'mpeg-ts' => 'hevc', 'mxf' => 'dnxhd'] as $container => $id) {
        yield "{$id} in {$container}" => [$id, (string) array_key_first($catalogue->video($id)->profiles()), $container];
    }
});

it('codes every sound as planned', function (string $codec, string $container) {
    $run = packed($this->bringIn('few')['id'], [
        ['preset' => 'review-720', 'edits' => ['container' => ['set' => $container], 'audio' => ['codec' => $codec, 'channels' => 2]]],
    ])[0];
    expect($run['state'])
        ->toBe('done', (string) $run['error'])
        ->and(array_filter($run['slip']['differences'], fn (array $difference): bool => $difference['cell'] === 'audio'))
        ->toBe([]);
})->with([
    ['aac', 'mp4'],
    ['opus', 'mp4'],
    ['flac', 'mp4'],
    ['alac', 'mp4'],
    ['mp3', 'mov'],
    ['ac3', 'mpeg-ts'],
    ['pcm', 'mov'],
    ['flac', 'matroska'],
    ['alac', 'mov'],
]);

it('keeps sound in step where its encoder puts something ahead', function (string $video, string $container, string $sound) {
    $edits = ['video' => ['codec' => $video], 'container' => ['set' => $container], 'audio' => ['codec' => $sound]];

    expect(unwanted(delivered('plain', 'review-720', [...$edits, 'bitrate' => ['mode' => 'quality', 'quality' => 40]])))->toBe([]);
})->with([['vp9', 'webm', 'opus'], ['h264', 'matroska', 'opus'], ['h264', 'matroska', 'mp3']]);
