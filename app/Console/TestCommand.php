<?php

namespace App\Console;

use App\Analysis\CutAnalyses;
use App\Desk\CutDesk;
use App\Library\Hosts;
use App\Library\Presets;
use App\Models\Cut;
use App\Models\WorkState;
use App\Shelf\CutShelf;
use App\Transit\ResultCsv;
use App\Transit\ThreeRoutes;
use App\Transit\TransitTests;
use App\Work\Worker;
use App\Work\WorkQueue;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Screen;
use OuterCrate\Units\ByteCount;

class TestCommand extends CrateCommand
{
    use WaitsForWork;

    protected $signature = 'test
        {file : The media file}
        {--host= : Whose recompression the candidates go through}
        {--candidate=* : PRESET, once for each, planned for the host}
        {--routes : The one candidate made quickly, carefully, and of a master that is made first}
        {--screen=* : Lines of a viewer’s screen: 480, 720, 1080, 1440 or 2160}
        {--pieces=4 : Pieces of the cut that stand for it, 1 to 24; its worst places come beside them}
        {--json : Print resources/schema/transit.json}
        {--csv : Print a line for each candidate and screen}';

    protected $description = 'Send candidates through a host’s recompression, and say what is left';

    public function __construct(
        private readonly CutShelf $shelf,
        private readonly CutDesk $desk,
        private readonly CutAnalyses $analyses,
        private readonly TransitTests $tests,
        private readonly ThreeRoutes $routes,
        private readonly Worker $worker,
        private readonly WorkQueue $queue,
        private readonly Presets $presets,
        private readonly Hosts $hosts,
    ) {
        parent::__construct();
    }

    protected function perform(): int
    {
        $hosts = implode(', ', array_keys($this->hosts->entries()));
        $slug = $this->option('host') ?? throw new WrongUse("Say through which host: --host=HOST. Hosts: {$hosts}.");
        $host = $this->hosts->need($slug);
        $outputs = array_map(
            fn (array $output): array => ['host' => $slug] + $output,
            OutputOption::all($this->option('candidate'), $this->presets, '--candidate'),
        );
        foreach ($this->option('candidate') as $candidate) {
            in_array(strstr($candidate, '@'), [false, "@{$slug}"], true) ?:
                throw new WrongUse("{$candidate} goes to another host than the test. Leave out what follows its name.");
        }
        ! $this->option('routes') || count($outputs) === 1 ?: throw new WrongUse('--routes takes one --candidate.');
        $screens = array_map($this->screen(...), $this->option('screen'));
        $range = ['min_range' => 1, 'max_range' => ChoosePieces::MOST];
        $pieces = filter_var($this->option('pieces'), FILTER_VALIDATE_INT, ['options' => $range]);
        $pieces !== false ?: throw new WrongUse('--pieces is a number from 1 to '.ChoosePieces::MOST.'.');
        $cut = $this->shelf->bringIn($this->file(), analyse: false);
        $this->finish($this->worker, $this->queue, $this->analyses->ask($cut)->work, 'analysing');
        $cut = Cut::query()->findOrFail($cut->id);
        [$columns, $names, $masters] = $this->option('routes')
            ? $this->routes->of($cut, $outputs[0])
            : [$this->desk->columns($cut, $cut->reading(), $outputs, $cut->range($cut->reading())), [], []];
        $test = $this->tests->ask($cut, $host, $columns, $screens, $pieces, names: $names, masters: $masters);
        $work = $this->finish($this->worker, $this->queue, $test->work, 'testing');
        $result = $test->refresh()->result;
        if ($work->state !== WorkState::Done || $result === null) {
            throw NotDone::of($work, 'test');
        }
        match (true) {
            $this->option('json') => $this->json($result),
            $this->option('csv') => $this->output->write(ResultCsv::of($result)),
            default => $this->show($result),
        };

        return self::SUCCESS;
    }

    private function screen(string $lines): int
    {
        return in_array((int) $lines, Screen::LINES, true) && ctype_digit($lines)
            ? (int) $lines
            : throw new WrongUse('--screen is one of '.implode(', ', Screen::LINES).'.');
    }

    /** @param  array<string, mixed>  $result */
    private function show(array $result): void
    {
        $this->line($result['simulation']);
        $this->line(sprintf(
            '%d pieces, %d of %d frames (%.0f %%).',
            count($result['pieces']),
            $result['sampled']['frames'],
            $result['sampled']['of'],
            100 * $result['sampled']['share'],
        ));
        foreach ($result['candidates'] as $candidate) {
            $upload = $candidate['upload'];
            $this->line("<options=bold>{$candidate['name']}</> · ".new ByteCount($upload['bytes']).sprintf(
                ' · %.2f dB SSIM before the host',
                $upload['ssimDb'],
            ));
            foreach ($candidate['after'] as $after) {
                $this->line(sprintf(
                    '  %4d lines: %s at %d lines (%s tier), %.2f ± %.2f dB, worst second %.2f dB',
                    $after['screen'],
                    $after['codec'],
                    $after['rendition'],
                    $after['tier'],
                    $after['ssimDb'],
                    $after['margin'],
                    $after['ssimDbWorst'],
                ));
            }
        }
        $this->line($result['recommended']['why']);
    }
}
