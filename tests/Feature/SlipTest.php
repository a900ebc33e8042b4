<?php

use App\Engine\ReadPosition;
use App\Engine\Runner;
use App\Media\Checksum;
use App\Media\FileProblem;
use App\Models\Cut;
use App\Models\Run;
use App\Models\WorkState;
use OuterCrate\Encoding\Commands\Allowance;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\Input;
use Symfony\Component\Process\InputStream;
use Symfony\Component\Process\Process;

beforeEach(function (): void {
    $this->cut = fn (string $kind = 'few'): Cut => Cut::query()->findOrFail($this->bringIn($kind)['id']);
    /** What a run makes when something becomes of its file after it was encoded: a shell's words, of the file "$file". */
    $this->spoilt = function (Cut $cut, array $output, string $spoil): Run {
        $engine = $this->folder('out').'/../spoiling';
        file_put_contents($engine, <<<SH
            #!/bin/sh
            ffmpeg "$@" || exit
            case "$*" in *witness-pictures*) ;; *) exit 0;; esac
            for word; do case "\$word" in file:*.partial) file="\${word#file:}";; esac; done
            {$spoil}
            SH);
        chmod($engine, 0o755);
        config(['crate.engine.encoder' => $engine]);

        return $this->made($cut, $output);
    };
    $this->told = fn (Run $run): array => array_column($run->slip['differences'], 'text');
});

it('decodes each file to its end, and holds its pictures against the cut', function () {
    $run = $this->made(($this->cut)('plain'), ['preset' => 'review-720']);
    expect($run->slip['decoded'])->toMatchArray(['frames' => 50, 'said' => '', 'looked' => 24])
        ->and($run->slip['decoded']['least'])->toBeGreaterThan(0.95)
        ->and($run->slip['decoded']['label'])->toBe('to its end · 24 compared')
        ->and(($this->told)($run))->toBe([]);
    config(['crate.decodes' => false]);
    expect($this->made($run->cut, ['preset' => 'review-720'])->slip['decoded'])->toBeNull();
});

it('hears how loud a file is while it decodes it, and by itself where it decodes its ends alone', function () {
    config(['crate.listens' => true]);
    $decoded = $this->made(($this->cut)('tone'), ['preset' => 'review-720']);
    config(['crate.decodes' => false]);
    $heard = $this->made($decoded->cut, ['preset' => 'review-720']);
    expect($decoded->slip['decoded']['said'])->toBe('')
        ->and($decoded->slip['level']['integrated'])->toBeLessThan(0.0)
        ->and($decoded->slip['level'])->toBe($heard->slip['level']);
});

it('lets no black picture pass, and none of another place', function (string $filter, string $says) {
    $run = ($this->spoilt)(
        ($this->cut)('plain'),
        ['preset' => 'light-lossless'],
        "ffmpeg -v error -y -i \"\$file\" -vf '{$filter}' -c:v utvideo -pix_fmt yuv422p -c:a copy -f matroska \"\$file.other\" && ".
            'mv "$file.other" "$file"',
    );
    expect($run->work->state)->toBe(WorkState::Done)->and(implode(' ', ($this->told)($run)))->toContain($says);
})->with([
    'black' => ['drawbox=c=black:t=fill', 'does not show what the cut shows there'],
    'black from the middle on' => ['drawbox=c=black:t=fill:enable=gt(n\,25)', 'does not show what the cut shows there'],
    'mirrored' => ['hflip', 'does not show what the cut shows there'],
]);

it('says what its own decoder finds wrong with a file', function () {
    $run = ($this->spoilt)(
        ($this->cut)('plain'),
        ['preset' => 'review-720'],
        'size=$(stat -c %s "$file"); seq 9000 9079 | dd of="$file" bs=1 seek=$((size / 2)) conv=notrunc 2> /dev/null',
    );
    expect(implode(' ', ($this->told)($run)))->toContain('Its own decoder finds a fault in the file')
        ->and($run->slip['decoded']['said'])->toMatch('~^\w+: ~')->not->toContain('0x');
});

it('has a worker write the hash list of a large delivery, and says how far it is', function () {
    $run = $this->queued(($this->cut)(), [['preset' => 'frames-png']])[0];
    $this->work();
    // As if the images came to more than a page waits for.
    $run->refresh()->update(['slip' => ['bytes' => 16_000_000_000] + $run->slip]);
    $list = "/api/packs/{$run->pack}/hash-list";
    $this->getJson($list)->assertStatus(404);
    $begun = $this->answer($this->postJson($list), 'hash-list-answer', 202);
    expect($begun)->toMatchArray(['path' => null, 'state' => 'waiting', 'percent' => 0])
        ->and(glob($this->folder('out').'/*/ascmhl'))->toBe([]);
    $this->work('hash');
    $done = $this->answer($this->getJson($list), 'hash-list-answer');
    expect($done)->toMatchArray(['state' => 'done', 'percent' => 100, 'error' => null])
        ->and(simplexml_load_file($done['path'])->hashes->hash)->not->toBeEmpty();
    // Another generation is another piece of work.
    expect($this->answer($this->postJson($list), 'hash-list-answer', 202)['state'])->toBe('waiting');
});

it('gives slips as text, and lists of hashes that grow by a generation', function () {
    $runs = $this->queued(($this->cut)(), [['preset' => 'archive-10-bit'], ['preset' => 'frames-png']]);
    $pack = $runs[0]->pack;
    $refused = fn (): string => $this->postJson("/api/packs/{$pack}/hash-list")->assertStatus(422)->json('error.message');
    expect($refused())->toContain('no finished file to list');
    $this->work();
    $text = $this->get("/api/packs/{$pack}/text")->assertOk()->getContent();
    expect($text)->toContain(
        "Few master.mov\n==============\nCut             Few\nPreset          Archive 10-bit, version 1",
        'SHA-256         '.$runs[0]->refresh()->slip['sha256'],
        'Decoded         to its end · 12 compared',
        'Made by         Outer Crate '.config('app.version').', FFmpeg 5.',
        'Differs         nothing',
    );

    $write = fn (): string => $this->answer($this->postJson("/api/packs/{$pack}/hash-list"), 'hash-list-answer', 201)['path'];
    $first = $write();
    expect($first)->toMatch('~/out/ascmhl/0001_out_\d{4}-\d\d-\d\d_\d{6}Z\.mhl$~');
    sleep(1);
    $second = $write();
    $list = simplexml_load_file($second);
    $names = [];
    foreach ($list->hashes->hash as $hash) {
        $path = dirname($second, 2)."/{$hash->path}";
        $names[] = (string) $hash->path;
        expect((string) $hash->xxh64)->toBe(hash_file('xxh64', $path))->and((int) $hash->path['size'])->toBe(filesize($path));
    }
    // A master, twelve images and the list of what they sum up to.
    expect($names)->toHaveCount(14)->toContain('Few master.mov')
        ->and($list->getNamespaces())->toBe(['' => 'urn:ASC:MHL:v2.0']);
    $chain = simplexml_load_file(dirname($second).'/ascmhl_chain.xml');
    expect(array_map(fn ($one): string => (string) $one->path, [...$chain->xpath('//*[local-name()="hashlist"]')]))
        ->toBe([basename($first), basename($second)])
        ->and((string) $chain->hashlist[1]['sequencenr'])->toBe('2')
        ->and((string) $chain->hashlist[0]->c4)->toMatch('~^c4[1-9A-HJ-NP-Za-km-z]{88}$~');
    unlink($runs[0]->file);
    expect($refused())->toContain('no longer where it was');
});

it('leaves a list beside what is packed by command', function () {
    $this->clip('few');
    $process = $this->crate('pack', 'few.mp4', '--output=sound-wav', '--to='.$this->folder('out'), '--hash-list');
    expect($process->getExitCode())->toBe(0)
        ->and($process->getErrorOutput())->toContain('listed   '.$this->folder('out').'/ascmhl/0001_out_');
});

it('takes checksums behind another reader, from the disk once, and the same', function () {
    $path = $this->file('large.bin', random_bytes(3_000_000));
    $sum = Checksum::begin($path);
    // Whoever reads may jump to the end and back.
    foreach ([0, 1_000_000, 3_000_000, 10, 2_000_000] as $position) {
        $sum->follow($position);
    }
    expect($sum->finish())->toBe(['sha256' => hash_file('sha256', $path), 'xxh64' => hash_file('xxh64', $path)]);
    // What cannot be read is no end of a file.
    expect(fn () => Checksum::of($this->folder('media')))->toThrow(FileProblem::class);
    // How far another process is.
    $script = 'exec 5< "$1"; head -c 65536 <&5 > /dev/null; read -r';
    $reader = new Process(['bash', '-c', $script, '-', $path], input: $hold = new InputStream);
    $reader->start();
    $position = new ReadPosition((int) $reader->getPid(), $path);
    for ($i = 0; $i < 100 && $position->now() < 65_536; $i++) {
        usleep(20_000);
    }
    expect($position->now())->toBe(65_536)->and((new ReadPosition((int) getmypid(), $path))->now())->toBe(0);
    $hold->close();
    $reader->stop();
});

it('has a file summed up while it is decoded, and not read once more behind that', function () {
    // The engine itself, not one that was kept ready: that opens no files in the process that was started.
    config(['crate.engine.encoder' => '/usr/bin/ffmpeg']);
    $path = $this->clip();
    $sum = Checksum::begin($path);
    $seen = 0;
    $follow = function (int $position) use ($sum, &$seen): void {
        $seen = max($seen, $position);
        $sum->follow($position);
    };
    // As fast as it plays: as a long file, it is not there in a moment.
    $command = Command::encode(Allowance::Run, ['-re', ...Input::of($path), '-t', '0.8', '-f', 'null', '-']);
    app(Runner::class)->encode($command, $this->folder('out'), follower: [$path, $follow]);
    expect($seen)->toBeGreaterThan(0)->toBeLessThanOrEqual(filesize($path))
        ->and((fn (): int => $this->done)->call($sum))->toBeGreaterThanOrEqual($seen)
        ->and($sum->finish()['sha256'])->toBe(hash_file('sha256', $path));
});
