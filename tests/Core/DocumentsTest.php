<?php

use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Documents\CandidateDocument;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Json\Fields;
use OuterCrate\Pieces\Piece;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\Weights;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;
use Tests\Support\Desk;
use Tests\Support\MadeUp\SmellCell;
use Tests\Support\Probes;

/** A document as a database gives it back. */
function kept(array $document): array
{
    return json_decode(json_encode($document), true);
}

/** Every shipped preset for every shipped host, for a few cuts. */
dataset('cuts', [
    'plain' => [Probes::plain()], 'tape' => [Probes::tape()], 'mezzanine' => [Probes::mezzanine()],
]);

it('keeps a plan as a document that comes to the same plan and the same arguments, and names no class', function (array $probe) {
    $documents = Desk::documents();
    $reading = Desk::reading($probe);
    $passes = new PassBuilder(new Encoders);
    foreach (Desk::presets() as $preset) {
        foreach ([null, ...Desk::hosts()] as $host) {
            $plan = Desk::plan($reading, $preset.($host === null ? '' : "@{$host}"));
            $document = kept($documents->write($plan));
            $stored = $documents->read($document, $reading);
            expect($stored->plan)->toEqual($plan)
                ->and($stored->decidedNow)->toBe([])
                ->and($passes->passes($stored->plan, $reading))->toEqual($passes->passes($plan, $reading))
                ->and(json_encode($document))->not->toContain('OuterCrate');
        }
    }
})->with('cuts');

it('keeps a range, a piece and what a person changed', function () {
    $reading = Desk::reading(Probes::mezzanine());
    $piece = new Piece(new FrameRange(10, 90), '02', 'Firing');
    $edits = new Rules(['bitrate' => ['mode' => 'quality', 'quality' => 21.0], 'audio' => ['loudness' => -16]]);
    $spec = new OutputSpec(Desk::preset('archive-10-bit'), Desk::host('lanternwick'), $edits, new FrameRange(10, 90), true, piece: $piece);
    $catalogue = new Catalogue;
    $plan = (new Planner($catalogue, new Cells))->plan(new Subject($reading), $spec);
    expect(Desk::documents()->read(kept(Desk::documents()->write($plan)), $reading)->plan)->toEqual($plan);
});

it('decides a row that an older document lacks, by what is decided already, and says which', function () {
    $probe = Probes::plain();
    $reading = Desk::reading($probe);
    $plan = Desk::plan($reading, 'lanternwick-even@lanternwick', ['frameRate' => ['exact' => '50']]);
    $document = kept(Desk::documents()->write($plan, ['probe' => $probe, 'bytes' => 1_000_000, 'fastStart' => true]));
    $cells = new Cells([...Cells::shipped(), new SmellCell]);
    // Its own reading serves as well as one that is brought along.
    foreach ([$reading, null] as $given) {
        $stored = Desk::documents($cells)->read($document, $given);
        expect($stored->decidedNow)->toBe(['smell'])
            ->and($stored->plan->values['smell']->strength)->toBe(4.0)
            ->and(array_intersect_key($stored->plan->values, $plan->values))->toEqual($plan->values);
    }
    unset($document['values']['audio']['trackChannels']);
    expect(Desk::documents()->read($document)->decidedNow)->toBe(['audio'])
        ->and(Desk::documents()->read($document)->plan->audio)->toEqual($plan->audio);
});

it('says why it cannot read a document', function (Closure $change, string $says) {
    $document = $change(kept(Desk::documents()->write(Desk::plan(Desk::reading(Probes::plain()), 'review-720'))));
    expect(fn () => Desk::documents()->read($document))->toThrow(UnreadableDocument::class, $says);
})->with([
    'nothing' => [fn (): array => [], 'What was stored is no plan.'],
    'of a later version of the format' => [
        fn (array $plan): array => ['version' => 2] + $plan,
        'stored by a later version of Outer Crate, in version 2 of its format.',
    ],
    'another kind' => [fn (array $plan): array => ['format' => 'outer-crate/host'] + $plan, 'no plan'],
    'a codec that is not there' => [
        fn (array $plan): array => array_replace_recursive($plan, ['values' => ['video' => ['codec' => 'x-1']]]),
        'The stored plan cannot be read here: There is no video codec “x-1” here.',
    ],
    'a word that is not there' => [
        fn (array $plan): array => array_replace_recursive($plan, ['values' => ['bitrate' => ['mode' => 'x']]]),
        'The part “mode” is none of quality, cbr, vbr, codec, lossless.',
    ],
    'no reading to decide by' => [
        fn (array $plan): array => array_replace_recursive($plan, ['values' => ['audio' => null]]),
        'The part “bytes” is missing.',
    ],
]);

it('reads the documents that version 1 wrote', function (string $file) {
    $golden = json_decode(file_get_contents($file), true);
    $documents = Desk::documents();
    $reading = (new ProbeReader)->stored(new Fields($golden['plan']['inputs']['reading']));
    $stored = $documents->read($golden['plan']);
    $passes = (new PassBuilder(new Encoders))->passes($stored->plan, $reading);
    expect($stored->decidedNow)->toBe([])
        ->and(array_map(fn ($value): string => $value->label(), $stored->plan->values))->toBe($golden['labels'])
        ->and(array_map(fn ($pass): array => $pass->arguments, $passes))->toBe($golden['arguments']);
})->with(fn (): array => glob(dirname(__DIR__).'/fixtures/documents/1/*.json'));

it('keeps candidates, weights, hosts and what a transit test proved', function () {
    $reading = Desk::reading(Probes::plain());
    $plan = Desk::plan($reading, 'lanternwick-even@lanternwick');
    $documents = new CandidateDocument(Desk::documents());
    foreach ([null, Desk::plan($reading, 'archive-10-bit')] as $master) {
        $candidate = new Candidate('Fine', $plan, 12_345, 1.5, 2.0, $master, true);
        expect($documents->read(kept($documents->write($candidate)), $reading))->toEqual($candidate);
    }
    $weights = new Weights(0.25, 1, 2, 0.125);
    $upload = new TestedUpload(
        7, 'lanternwick', 3, new FrameRange(0, 99), new FrameSize(1280, 720), 'h264', new Bitrate(5_000_000), 1_000, 'basic', 720,
        [0.98, 1.0], [0.4, 0.6], 0.2, 0.0, false, null,
    );
    $host = Desk::host('lanternwick');
    expect(Weights::fromArray(new Fields(kept($weights->toArray()))))->toEqual($weights)
        ->and(TestedUpload::fromArray(new Fields(kept($upload->toArray()))))->toEqual($upload)
        ->and((new HostFile(new Catalogue))->stored(new Fields(kept($host->toArray()))))->toEqual($host);
});
