<?php

use App\Engine\Capabilities;
use App\Engine\Prober;
use App\Media\CutReader;
use App\Models\Part;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Work;
use App\Models\WorkState;
use App\Shelf\CutShelf;
use App\Work\Worker;
use OuterCrate\Reading\Packets\Packet;
use Tests\Support\Bars;

/** Has the second of two parts begin with a frame that no buffer holds, in so many of the first rounds. */
function overrunning(int $rounds): CutReader
{
    return new class(app(Prober::class), $rounds) extends CutReader
    {
        private int $reads = 0;

        public function __construct(Prober $prober, private readonly int $rounds)
        {
            parent::__construct($prober);
        }

        public function picture(string $path): array
        {
            $told = parent::picture($path);
            $isOver = ++$this->reads % 2 === 0 && $this->reads <= 2 * $this->rounds;

            return $isOver ? [new Packet(0, 0.0, 0.0, 0.1, 1_000_000, true), ...$told] : $told;
        }
    };
}

/** Another machine, that is there and takes nothing: all parts are made here. */
beforeEach(function (): void {
    PresentWorker::query()->create([
        'owner' => 'other:1:1', 'host' => 'other', 'kinds' => ['part'], 'cores' => 2, 'engine' => app(Capabilities::class)->version(),
        'seen_at' => now()->addHour(),
    ]);
    config(['crate.work.least_part' => 0.001, 'crate.work.parts_each' => 1]);
    $this->cut = app(CutShelf::class)->bringIn($this->clip('numbered'), null, false);
    $this->output = fn (array $bitrate, string $codec = 'h264'): array => ['preset' => 'review-720', 'edits' => [
        'video' => ['codec' => $codec],
        'keyframes' => ['seconds' => 1, 'closed' => true],
        'bitrate' => ['mode' => 'vbr', 'passes' => 2, ...$bitrate],
    ]];
    $this->log = fn (Run $run, string $kind = 'result'): string => RunLog::query()->where('run_id', $run->id)->where('kind', $kind)
        ->orderBy('id')->pluck('text')->implode("\n");
});

it('gives each part of a file in two passes what falls to it, and keeps the average and every frame', function (string $codec) {
    $run = $this->made($this->cut, ($this->output)(['average' => ['kbps' => 400], 'peak' => ['kbps' => 900]], $codec));
    expect(array_column($run->slip['differences'], 'text'))->toBe([])
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149))
        ->and(($this->log)($run))->toContain('Divided into 2 parts', 'Average of each part: ')
        ->not->toContain('as a whole', 'more out of a decoder')
        ->and(preg_match_all('~-pass 2|pass=2~', ($this->log)($run, 'command')))->toBe(2)
        ->and(Part::query()->count() + Work::query()->where('kind', 'part')->count())->toBe(0)
        ->and(glob(config('crate.derived').'/work/*'))->toBe([]);
})->with(['h264', 'hevc']);

it('joins parts of any codec that is coded in closed groups, to the frame', function (string $codec, string $container, string $sound) {
    $run = $this->made($this->cut, ['preset' => 'lossless-vault', 'edits' => [
        'video' => ['codec' => $codec], 'container' => ['set' => $container], 'audio' => ['codec' => $sound], 'colour' => ['bitDepth' => 8],
        'keyframes' => ['seconds' => 1, 'closed' => true], 'bitrate' => ['mode' => 'quality', 'quality' => 30],
    ]]);
    expect(array_column($run->slip['differences'], 'text'))->toBe([])
        ->and(($this->log)($run))->toContain('Divided into 2 parts')->not->toContain('as a whole')
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
})->with([['av1', 'mp4', 'aac'], ['vp9', 'webm', 'opus'], ['h264', 'matroska', 'aac'], ['prores', 'matroska', 'pcm']]);

it('makes a part again with what those before it leave of the buffer, and no other', function () {
    // The second part is said to begin with a frame that no buffer holds, once.
    app()->instance(CutReader::class, overrunning(1));
    $run = $this->made($this->cut, ($this->output)(['average' => ['kbps' => 400], 'peak' => ['kbps' => 900]]));
    expect(($this->log)($run))->toContain('Part 2 takes more out of a decoder’s buffer')
        ->and(substr_count(($this->log)($run, 'command'), '-pass 2'))->toBe(3)
        ->and(array_column($run->slip['differences'], 'text'))->toBe([])
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
});

it('makes a file as a whole whose parts take too much again and again', function () {
    app()->instance(CutReader::class, overrunning(9));
    $run = $this->made($this->cut, ($this->output)(['average' => ['kbps' => 400], 'peak' => ['kbps' => 900]]));
    $log = ($this->log)($run);
    expect(substr_count($log, 'made again with'))->toBe(2)
        ->and($log)->toContain('the file is made as a whole')
        ->and($run->work->state)->toBe(WorkState::Done)
        ->and(array_column($run->slip['differences'], 'text'))->toBe([])
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
});

it('makes a file as a whole where its parts find no room beside it', function () {
    $run = $this->queued($this->cut, [($this->output)(['average' => ['kbps' => 400], 'peak' => ['kbps' => 900]])])[0];
    $free = disk_free_space($this->folder('out'));
    // Twice that lies on the same drive.
    $run->update(['plan' => array_replace_recursive($run->plan, ['estimate' => ['bytes' => (int) (0.7 * $free)]])]);
    expect($this->make($run)->work->state)->toBe(WorkState::Done)
        ->and(($this->log)($run))->toContain('There is no room for its parts beside the file: it is made as a whole.')
        ->and(Part::query()->count())->toBe(0);
});

it('makes a file as a whole where the first passes of its parts do not tell how they share out', function () {
    $engine = $this->folder('out').'/../tells-nothing';
    // Of parts alone, whose folders are named so.
    $untold = 'case "$PWD" in *part-*) [ ! -f statistics-0.log ] || sed -i s/mbtree=1/mbtree=0/ statistics-0.log;; esac';
    file_put_contents($engine, "#!/bin/sh\nffmpeg \"\$@\" || exit\n{$untold}\nexit 0\n");
    chmod($engine, 0o755);
    config(['crate.engine.encoder' => $engine]);
    $run = $this->made($this->cut, ($this->output)(['average' => ['kbps' => 400]]));
    expect(($this->log)($run))->toContain('Divided into 2 parts', 'the file is made as a whole')->not->toContain('Average of each part')
        ->and($run->work->state)->toBe(WorkState::Done)
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
});

it('aims all parts anew, from the same first passes, where the average came out too far off', function () {
    // Less than any encoder makes of this picture.
    $run = $this->made($this->cut, ($this->output)(['average' => ['kbps' => 60]]));
    $log = ($this->log)($run);
    $tries = 1 + substr_count($log, 'tried again at');
    expect($run->slip['tries'])->toBe($tries)
        ->and(substr_count(($this->log)($run, 'command'), '-pass 1'))->toBe(2)
        ->and(substr_count(($this->log)($run, 'command'), '-pass 2'))->toBe(2 * $tries)
        ->and($tries)->toBeGreaterThan(1)
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
});

it('goes on from the parts that are there when its process is ended in between', function () {
    $run = $this->queued($this->cut, [($this->output)(['average' => ['kbps' => 400]])])[0];
    // Put down once the second of the second passes is at work.
    $isWriting = fn (): bool => substr_count(($this->log)($run, 'command'), '-pass 2') === 1;
    app(Worker::class)->one(['make'], $isWriting, [$run->work->id]);
    expect($run->work->refresh()->state)->toBe(WorkState::Waiting);
    $this->make($run);
    expect($run->work->refresh()->state)->toBe(WorkState::Done)
        ->and(substr_count(($this->log)($run, 'command'), '-pass 1'))->toBe(2)
        ->and(substr_count(($this->log)($run, 'command'), '-pass 2'))->toBe(2)
        ->and(Bars::in('-i', $run->file))->toBe(range(0, 149));
});
