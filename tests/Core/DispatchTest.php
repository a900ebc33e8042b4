<?php

use OuterCrate\Dispatch\BeforeSending;
use OuterCrate\Dispatch\Captions\CaptionFile;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\DetailsTemplate;
use OuterCrate\Dispatch\FileFacts;
use OuterCrate\Dispatch\Hours;
use OuterCrate\Dispatch\Patience;
use OuterCrate\Dispatch\ReleaseList;
use OuterCrate\Dispatch\ReleaseTime;
use OuterCrate\Dispatch\Remark;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Takes;
use OuterCrate\Encoding\Commands\ThumbnailCommand;
use OuterCrate\Encoding\Passes\Framing;
use OuterCrate\Presets\Role;
use OuterCrate\Units\FrameSize;

$takes = new Takes(43_200, 200_000_000_000, 100, 5000, 500, ['craft'], ['own'], new FrameSize(640, 360), 2_000_000);
$about = fn (array $remarks, string $severity): array => array_values(array_unique(array_map(
    fn (Remark $remark): string => $remark->about,
    array_filter($remarks, fn (Remark $remark): bool => $remark->severity->value === $severity),
)));
$file = fn (array $other): FileFacts => new FileFacts(...$other + [
    'name' => 'Bowl Lanternwick.mp4', 'bytes' => 5_000_000, 'seconds' => 12.0, 'hasSound' => true, 'role' => Role::Upload,
    'host' => 'Lanternwick', 'madeFor' => 'Lanternwick', 'isUnchanged' => true,
]);
$said = ['title' => 'Bowl', 'declarations' => [
    'madeForChildren' => false, 'paidPromotion' => false, 'alteredContent' => false, 'rights' => true,
]];

it('notices before sending what is not right', function (array $other, array $stops, array $cautions) use ($takes, $about, $file) {
    $remarks = BeforeSending::remarks($file($other), $takes, 625_000);
    expect($about($remarks, 'stop'))->toBe($stops)->and($about($remarks, 'caution'))->toBe($cautions)
        // The gravest first, and how long it takes always.
        ->and($remarks[count($remarks) - 1]->text)->toContain('0:08');
})->with([
    'a made upload' => [[], [], []],
    'the master' => [['role' => Role::Master, 'madeFor' => null], [], ['file']],
    'a review file' => [['role' => Role::Review, 'madeFor' => null], [], ['file']],
    'of unknown origin' => [['role' => null, 'madeFor' => null, 'isUnchanged' => null], [], ['file']],
    'no video' => [['isProject' => true], ['file'], []],
    'for another host' => [['madeFor' => 'Platen'], [], ['host']],
    'an old version' => [['newer' => 'Bowl 2.mp4', 'cutChanged' => true], [], ['version', 'cut']],
    'changed since' => [['isUnchanged' => false], ['checksum'], []],
    'too long' => [['seconds' => 43_201.0], ['length'], []],
    'silent' => [['hasSound' => false], [], ['sound']],
    'a strange name' => [['name' => 'Bowl: "final".mp4'], [], ['name']],
    'sent before' => [['sentBefore' => '3 March 2026', 'differences' => 2], [], ['slip', 'before']],
]);

it('counts details against what a host takes, and answers nothing for the person', function () use ($takes, $about, $said) {
    $full = Details::fromArray($said + ['tags' => ['glaze', ' #kiln ', 'Glaze', ''], 'category' => 'craft']);
    expect($full->remarks($takes))->toBe([])->and($full->tags)->toBe(['glaze', 'kiln'])
        ->and(Details::fromArray($full->toArray()))->toEqual($full);
    $empty = Details::fromArray(['title' => '  ']);
    expect($about($empty->remarks($takes), 'caution'))->toBe([
        'title', 'madeForChildren', 'paidPromotion', 'alteredContent', 'rights',
    ]);
    // Characters as people count them, not bytes.
    expect($about(Details::fromArray(['title' => str_repeat('ö', 100)] + $said)->remarks($takes), 'stop'))->toBe([]);
    $much = Details::fromArray([
        'title' => str_repeat('x', 101), 'tags' => array_map(fn (int $n): string => "tag number {$n}", range(1, 60)), 'category' => 'sport',
        'licence' => 'mine', 'language' => 'english!',
    ] + $said);
    expect($about($much->remarks($takes), 'stop'))->toBe(['title', 'tags', 'category', 'licence', 'language'])
        ->and($much->remarks($takes)[0]->todo)->toBe('Shorten it by 1.');
    $no = Details::fromArray(['declarations' => ['rights' => false] + $said['declarations']] + $said);
    expect($about($no->remarks($takes), 'caution'))->toBe(['rights']);
});

it('releases only what is in order', function (array $video, array $details, bool $waits, array $stops) use ($takes, $about, $said) {
    $remote = RemoteVideo::fromArray($video + [
        'id' => 'v', 'state' => 'ready', 'sha256' => 'abc', 'visibility' => 'private',
        'renditions' => [['lines' => 360, 'codec' => 'H.264', 'state' => 'ready', 'bytes' => 1]],
    ]);
    $list = ReleaseList::of(Details::fromArray($details + $said), $takes, $remote, 'abc', $waits);
    expect($about($list, 'stop'))->toBe($stops)->and(RemoteVideo::fromArray($remote->toArray()))->toEqual($remote);
})->with([
    'in order' => [[], [], false, []],
    'other bytes' => [['sha256' => 'def'], [], false, ['checksum']],
    'not usable' => [['state' => 'failed', 'reason' => 'It is too long.'], [], false, ['processing']],
    'terms' => [['missing' => ['terms', 'title']], [], false, ['terms']],
    'no size yet' => [['state' => 'processing', 'missing' => ['processing'], 'renditions' => []], [], false, ['processing']],
    'no size yet, which is waited for' => [['state' => 'processing', 'missing' => ['processing'], 'renditions' => []], [], true, []],
    'without a title' => [[], ['title' => ''], false, ['title']],
]);

it('says that the tall sizes come later, and that it has not arrived', function () use ($takes, $said) {
    $sizes = fn (string ...$states): array => ['id' => 'v', 'renditions' => array_map(
        fn (string $state, int $i): array => ['lines' => [360, 720, 1080][$i], 'codec' => 'VP9', 'state' => $state, 'bytes' => null],
        $states, array_keys($states),
    )];
    expect(RemoteVideo::fromArray($sizes('ready', 'making', 'waiting'))->words())
        ->toBe('There: 360 lines. The taller ones come later: 720, 1080.')
        ->and(RemoteVideo::fromArray($sizes('ready', 'ready', 'ready'))->words())->toBe('All sizes are there: 360, 720, 1080 lines.')
        ->and(ReleaseList::of(Details::fromArray($said), $takes, null, 'abc')[0]->about)->toBe('arrival');
});

it('fills the texts of a series', function () {
    $template = new DetailsTemplate('Kiln Diary {number}: {cut}');
    expect($template->fill(['cut' => 'the {number} bowl', 'number' => '14']))->toBe('Kiln Diary 14: the {number} bowl')
        ->and(fn () => new DetailsTemplate('{series}'))->toThrow(InvalidArgumentException::class, 'no field “{series}”');
});

it('reads SubRip and WebVTT, and writes WebVTT that reads the same', function () {
    $srt = "\xEF\xBB\xBF1\r\n00:00:01,500 --> 00:00:03,000\r\nThe kiln <i>is</i> lit.\r\nAt last.\r\n\r\n"
        ."2\r\n01:00:04,000 --> 01:00:05,250\r\nDone.\r\n";
    $vtt = "WEBVTT - kiln\n\nNOTE nothing\n\nfirst\n00:01.000 --> 00:02.000 align:start\nHot.";
    $read = CaptionFile::read($srt);
    expect(array_map(fn ($cue): array => [$cue->from, $cue->to], $read->cues))->toBe([[1.5, 3.0], [3604.0, 3605.25]])
        ->and($read->cues[0]->text)->toBe("The kiln <i>is</i> lit.\nAt last.")
        ->and($read->cues[0]->characters())->toBe(25)
        ->and(CaptionFile::read($read->toVtt()))->toEqual($read)
        ->and(CaptionFile::read($vtt)->cues[0]->text)->toBe('Hot.');
    expect(fn () => CaptionFile::read('nothing'))->toThrow(InvalidArgumentException::class, 'no captions')
        ->and(fn () => CaptionFile::read("1\n00:00:01,000 --> 00:00:02,000\n\xFF"))->toThrow(InvalidArgumentException::class, 'UTF-8');
});

it('notices captions that overlap, are out of order, end before they begin, or are too fast', function () {
    $cues = fn (string ...$times): CaptionFile => CaptionFile::read("WEBVTT\n\n".implode("\n\n", $times));
    $remarks = $cues(
        "00:01.000 --> 00:02.000\nOne.", "00:01.900 --> 00:03.000\nTwo.", "00:01.500 --> 00:04.000\nThree.",
        "00:05.000 --> 00:05.000\nFour.",
        "00:06.000 --> 00:07.000\n".str_repeat('word ', 5), "00:09.000 --> 00:10.000\nFive.",
    )->remarks(8.0);
    expect(array_map(fn (Remark $one): string => $one->severity->value.' '.$one->text, $remarks))->toBe([
        'stop A caption ends before it begins: at 00:05.',
        'stop A caption comes before the one that stands above it: at 00:01.',
        'caution A caption begins while another is shown: at 00:01.',
        'caution A caption begins after the end of the video: at 00:09.',
        'caution A caption is too fast to be read (more than 20 characters a second): at 00:06.',
    ]);
    expect($cues("00:01.000 --> 00:02.000\nOne.", "00:02.000 --> 00:03.000\nTwo.")->remarks(8.0))->toBe([]);
});

it('knows the moment that clocks show, over the change of hours', function (string $local, string $zone, string $utc, bool $twice) {
    $time = ReleaseTime::of($local, $zone);
    expect($time->moment->format('Y-m-d\TH:i\Z'))->toBe($utc)->and($time->remark !== null)->toBe($twice);
})->with([
    'winter' => ['2026-12-01T18:30', 'Europe/Vienna', '2026-12-01T17:30Z', false],
    'summer' => ['2026-07-01T18:30', 'Europe/Vienna', '2026-07-01T16:30Z', false],
    'the hour that comes twice' => ['2026-10-25T02:30', 'Europe/Vienna', '2026-10-25T01:30Z', true],
    'half an hour' => ['2026-04-05T01:45', 'Australia/Lord_Howe', '2026-04-04T15:15Z', true],
    'no change' => ['2026-10-25T02:30', 'UTC', '2026-10-25T02:30Z', false],
]);

it('refuses hours that there are not', function (string $local, string $zone, string $says) {
    expect(fn () => ReleaseTime::of($local, $zone))->toThrow(InvalidArgumentException::class, $says);
})->with([
    'left out in spring' => ['2026-03-29T02:30', 'Europe/Vienna', 'leave that hour out and show 03:30'],
    'no such day' => ['2026-02-30T10:00', 'UTC', 'no such day'],
    'no such zone' => ['2026-02-20T10:00', 'Vienna', 'no time zone'],
    'another writing' => ['20.2.2026 10:00', 'UTC', 'Write the time'],
]);

it('waits longer after each failure, and as long as a host asks', function () {
    expect(array_map(fn (int $n): int => Patience::after($n, null), [1, 2, 3, 5, 10, 1000]))->toBe([2, 4, 8, 32, 600, 600])
        ->and(Patience::after(1, 90))->toBe(90)
        ->and(Patience::asked('120', 0))->toBe(120)
        ->and(Patience::asked('Sat, 28 Nov 2026 18:00:30 GMT', strtotime('2026-11-28T18:00:00Z')))->toBe(30)
        ->and(Patience::asked('Sat, 28 Nov 2026 17:00:00 GMT', strtotime('2026-11-28T18:00:00Z')))->toBe(0)
        ->and(Patience::asked('soon', 0))->toBeNull()->and(Patience::asked(null, 0))->toBeNull();
});

it('keeps to the hours of the line', function (string $from, string $to, string $now, int $wait) {
    $zone = new DateTimeZone('Europe/Vienna');
    expect((new Hours($from, $to, $zone))->wait(new DateTimeImmutable($now, $zone)))->toBe($wait);
})->with([
    'within' => ['08:00', '18:00', '2026-11-28 09:00', 0],
    'before' => ['08:00', '18:00', '2026-11-28 07:00', 3600],
    'after' => ['08:00', '18:00', '2026-11-28 18:00', 14 * 3600],
    'over midnight' => ['22:00', '06:00', '2026-11-28 03:00', 0],
    'over midnight, by day' => ['22:00', '06:00', '2026-11-28 12:00', 10 * 3600],
    // That night the clocks leave an hour out.
    'in spring' => ['06:00', '08:00', '2026-03-28 23:00', 6 * 3600],
]);

it('reads from when to when the line may be used', function (string $text, ?int $wait) {
    $zone = new DateTimeZone('Europe/Vienna');
    expect(Hours::of($text, $zone)?->wait(new DateTimeImmutable('2026-11-28 12:00', $zone)))->toBe($wait);
})->with([['', null], ['22:00-06:30', 10 * 3600], ['8:00 – 18:00', 0]]);

it('refuses hours that say neither', fn (string $text) => Hours::of($text, new DateTimeZone('UTC')))
    ->with(['22:00', '22 to 6', '22:00-25:00', '1:00-2:00-3:00'])
    ->throws(InvalidArgumentException::class);

it('takes the part of a picture that a person chose', function (Framing $part, string $filters) {
    $arguments = ThumbnailCommand::of('still', new FrameSize(1280, 720), $part, 0.5, 2, 'made')->arguments;
    expect($arguments[array_search('-vf', $arguments, true) + 1])->toBe($filters);
})->with([
    'the middle' => [new Framing, 'scale=w=1280:h=720:force_original_aspect_ratio=increase:flags=lanczos,'
        .'crop=1280:720:(in_w-out_w)*0.5000:(in_h-out_h)*0.5000,eq=gamma=1.400'],
    'closer, at the left' => [new Framing(0, 1, 1.25), 'scale=w=1600:h=900:force_original_aspect_ratio=increase:flags=lanczos,'
        .'crop=1280:720:(in_w-out_w)*0.0000:(in_h-out_h)*1.0000,eq=gamma=1.400'],
]);

it('knows no part that lies outside', fn (float $across, float $closer) => new Framing($across, 0.5, $closer))
    ->with([[-0.1, 1], [1.1, 1], [0.5, 0.9], [0.5, 3.5]])
    ->throws(InvalidArgumentException::class);
