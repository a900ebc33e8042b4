<?php

use App\Media\CutReader;
use App\Models\Cut;
use App\Packing\Passes\PassRunner;
use App\Shelf\CutShelf;
use Symfony\Component\Process\Process;
use Tests\Support\Bars;
use Tests\Support\Clips;
use Tests\Support\LateFilters;
use Tests\Support\OddClips;

/** Numbers that are on the screen, frame by frame at the cut's rate. */
function numbersOf(string $kind): array
{
    return match ($kind) {
        'avi-h264', 'avi-mpeg4', 'late', 'shared-clock' => range(0, 99),
        'stream-h264', 'stream-hevc', 'stream-mpeg2' => range(0, 74),
        'hidden' => range(25, 99),
        // It is held for 0.185 s: five and a half frames.
        'first-held' => [0, 0, 0, 0, 0, ...range(0, 40)],
        // Half a second.
        'last-held' => [...range(0, 94), ...array_fill(0, 12, 95)],
        'rate-8' => range(0, 31),
        'rate-12.048' => range(0, 47),
        'rate-23.976' => range(0, 71),
        'rate-18' => range(0, 53),
        'short-mov' => range(0, 61),
    };
}

it('takes the rate of the frames, whatever an average says', function (string $kind, string $rate, string $clock) {
    $reading = app(CutReader::class)->read(OddClips::make($kind))['reading'];
    $video = $reading->mainVideo();
    expect((string) $video->frameRate)
        ->toBe($rate)
        ->and($video->clock->value)
        ->toBe($clock)
        ->and($video->variableRate)
        ->toBeFalse()
        ->and($reading->length())
        ->toBe(count(numbersOf($kind)))
        // As long as its frames: a tick of the movie, and a packet of sound that outlasts them.
        ->and(abs($reading->duration->toFloat() - $reading->length() / $video->frameRate->perSecond->toFloat()))
        ->toBeLessThan(0.09);
})->with([
    ['avi-h264', '25', 'counted'],
    ['avi-mpeg4', '25', 'counted'],
    ['stream-h264', '25', 'counted'],
    ['stream-hevc', '25', 'counted'],
    ['stream-mpeg2', '25', 'counted'],
    ['late', '25', 'told'],
    ['shared-clock', '25', 'broken'],
    ['hidden', '25', 'told'],
    ['first-held', '30', 'told'],
    ['last-held', '24', 'told'],
    ['rate-8', '8', 'told'],
    ['rate-12.048', '1000/83', 'told'],
    ['rate-23.976', '24000/1001', 'told'],
    ['rate-18', '18', 'told'],
    ['short-mov', '30000/1001', 'told'],
]);

it('delivers every frame once, and the right ones of a range', function (string $kind) {
    $cut = oddCut($kind);
    $numbers = numbersOf($kind);
    $whole = $this->made($cut, ['preset' => 'lossless-vault']);
    $part = $this->made($cut, ['preset' => 'lossless-vault', 'range' => ['first' => 7, 'last' => 29]]);
    expect(Bars::in('-i', $whole->file))
        ->toBe($numbers)
        ->and(Bars::in('-i', $part->file))
        ->toBe(array_slice($numbers, 7, 23))
        ->and(array_column([...$whole->slip['differences'], ...$part->slip['differences']], 'text'))
        ->toBe([]);
})->with(['avi-h264', 'avi-mpeg4', 'stream-hevc', 'late', 'shared-clock', 'hidden', 'first-held', 'last-held', 'rate-12.048', 'short-mov']);

it('delivers the last frame alone', function (string $kind) {
    $numbers = numbersOf($kind);
    $last = count($numbers) - 1;
    $run = $this->made(oddCut($kind), ['preset' => 'lossless-vault', 'range' => ['first' => $last, 'last' => $last]]);
    expect(Bars::in('-i', $run->file))->toBe([$numbers[$last]])->and(array_column($run->slip['differences'], 'text'))->toBe([]);
})->with(['avi-h264', 'hidden', 'last-held']);

it('makes twice the frames of fields that are drawn apart', function () {
    $cut = app(CutShelf::class)->bringIn(Clips::make('bottom-first'), null, false);
    $run = $this->made($cut, ['preset' => 'lossless-vault', 'edits' => ['frameRate' => ['exact' => '50', 'fields' => 'interpolate']]]);
    expect(count(Bars::in('-i', $run->file)))->toBe(50)->and(array_column($run->slip['differences'], 'text'))->toBe([]);
});

/** Seconds from the start of a file to its tone, as the engine decodes it. */
function toneIn(string $path): float
{
    $samples = (new Process([
        'ffmpeg', '-v', 'error', '-i', $path, '-af', 'aresample=async=1:first_pts=0', '-ac', '1', '-ar', '48000', '-f', 's16le', '-',
    ]))->mustRun()->getOutput();

    return array_key_first(array_filter(unpack('s*', $samples), fn (int $sample): bool => abs($sample) > 2_000)) / 48_000;
}

it('keeps sound in step with the picture', function (string $kind) {
    $cut = oddCut($kind);
    $run = $this->made($cut, ['preset' => 'lossless-vault']);
    // What another reader sees of the cut: where its picture begins.
    $asked = ['-select_streams', 'v', '-show_entries', 'stream=start_time', '-of', 'csv=p=0', $cut->path];
    $starts = (float) trim((new Process(['ffprobe', '-v', 'error', ...$asked]))->mustRun()->getOutput());
    // Five milliseconds: less than is heard.
    expect(abs(toneIn($run->file) - (toneIn($cut->path) - $starts)))->toBeLessThan(0.005);
})->with(['avi-h264', 'avi-mpeg4', 'late']);

it('places frames one after the other whatever its sound is coded as, and the sound with them', function (string $audio) {
    $cut = oddCut('late');
    $edits = ['container' => ['set' => 'avi'], 'video' => ['codec' => 'utvideo'], 'audio' => ['codec' => $audio]];
    $run = $this->made($cut, ['preset' => 'lossless-vault', 'edits' => $edits]);
    $asked = ['-select_streams', 'v', '-show_entries', 'packet=dts', '-of', 'csv=p=0', $run->file];
    $places = explode("\n", trim((new Process(['ffprobe', '-v', 'error', ...$asked]))->mustRun()->getOutput()));
    expect(array_map(intval(...), $places))->toBe(range(0, 99))->and(array_column($run->slip['differences'], 'text'))->toBe([]);
})->with(['pcm', 'mp3', 'ac3']);

it('tells what lies beside its place, by picture and by sound', function () {
    // A fault of the kind that no count of frames shows: the run's own filters take two frames later, and sound thirty milliseconds late.
    $this->app->bind(PassRunner::class, LateFilters::class);
    $run = $this->made(oddCut('avi-h264'), ['preset' => 'lossless-vault', 'range' => ['first' => 7, 'last' => 79]]);
    expect(Bars::in('-i', $run->file))
        ->toBe(range(9, 81))
        ->and(array_column($run->slip['differences'], 'text'))
        ->toBe([
            'Frame 56 does not show what the cut shows there. Look at both side by side before it goes out.',
            'The first picture is not the one planned: it lies 2 frames later in the cut.',
            'The last picture is not the one planned: it lies 2 frames later in the cut.',
            'The sound comes 30 ms early against the picture.',
        ]);
});

it('tells of frames that are counted and cannot be decoded', function (int $kept) {
    $path = $this->file('emptied.mp4', OddClips::emptied($kept));
    $run = $this->made(app(CutShelf::class)->bringIn($path, null, false), ['preset' => 'lossless-vault']);
    expect($run->work->error)
        ->toBeNull()
        ->and(array_column($run->slip['differences'], 'text'))
        ->toBe([
            "100 frames were planned and {$kept} are there.",
            "The cut counts 100 frames, and {$kept} of them can be decoded. Play it through there, or export it again.",
        ]);
})->with([70, 20]);
