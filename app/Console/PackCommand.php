<?php

namespace App\Console;

use App\Desk\CutDesk;
use App\Desk\CutPieces;
use App\Library\Presets;
use App\Models\Cut;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\HashLists;
use App\Packing\Packer;
use App\Resources\RunResource;
use App\Shelf\CutShelf;
use App\Work\Worker;
use App\Work\WorkQueue;
use OuterCrate\Desk\Column;
use OuterCrate\Pieces\Piece;

class PackCommand extends CrateCommand
{
    protected $signature = 'pack
        {file : The media file}
        {--output=* : PRESET or PRESET@HOST, once for each file to make}
        {--to= : Folder for the files}
        {--pieces= : One file for each piece: an EDL, a CSV or WebVTT chapters, or `shots`}
        {--hash-list : Leave an ASC MHL list beside the files}
        {--json : Print resources/schema/pack-command.json}';

    protected $description = 'Make the files';

    public function __construct(
        private readonly CutShelf $shelf,
        private readonly CutDesk $desk,
        private readonly Packer $packer,
        private readonly Worker $worker,
        private readonly WorkQueue $queue,
        private readonly Presets $presets,
        private readonly HashLists $lists,
        private readonly CutPieces $divided,
    ) {
        parent::__construct();
    }

    protected function perform(): int
    {
        $outputs = OutputOption::all($this->option('output'), $this->presets);
        $folder = $this->option('to') ?? throw new WrongUse('Say where the files go: --to=DIR.');
        $folder = $this->absolute($folder);
        $cut = $this->shelf->bringIn($this->file(), analyse: false);
        $runs = $this->packer->pack($cut, $this->columns($cut, $outputs, $folder), $folder);
        $this->trap([SIGINT, SIGTERM], function () use ($runs): void {
            $runs->each(fn (Run $run) => $this->queue->stop($run->work));
        });
        foreach ($runs as $run) {
            $show = fn (Work $work) => $this->show($run->setRelation('work', $work));
            $this->worker->finish($run->work, $show, $runs->pluck('work.id')->all());
            $this->show($run->refresh(), "\n");
        }
        if ($this->option('hash-list')) {
            fwrite(STDERR, 'listed   '.$this->lists->write($runs)."\n");
        }
        $failed = $runs->contains(fn (Run $run): bool => $run->work->state !== WorkState::Done);
        if ($this->option('json')) {
            $this->json(['outputs' => $runs->map($this->result(...))->all()]);
        }

        return $failed ? self::FAILURE : self::SUCCESS;
    }

    /**
     * @param  list<array<string, mixed>>  $outputs
     * @return list<Column>
     */
    private function columns(Cut $cut, array $outputs, string $folder): array
    {
        $pieces = $this->pieces($cut);

        return $pieces === []
            ? $this->desk->columns($cut, $cut->reading(), $outputs, null, $folder)
            : $this->desk->inPieces($cut, $cut->reading(), $outputs, $pieces, $folder);
    }

    /** @return list<Piece> none where each output is one file */
    private function pieces(Cut $cut): array
    {
        $list = $this->option('pieces');
        if ($list === null || $list === 'shots') {
            return $list === null ? [] : $this->divided->byShots($cut);
        }
        $text = @file_get_contents($this->absolute($list));

        return $text === false
            ? throw new WrongUse("There is no list to read in {$list}.")
            : $this->divided->inList($cut, $text);
    }

    /** Progress and results go to the error stream, so that --json stays clean. */
    private function show(Run $run, string $end = "\r"): void
    {
        $live = stream_isatty(STDERR);
        if (! $live && ! $run->work->state->isOver()) {
            return;
        }
        $left = $run->work->seconds_left === null ? '' : ", {$run->work->seconds_left} s left";
        $speed = $run->work->speed === null ? '' : " · {$run->work->speed} fps";
        fwrite(
            STDERR,
            ($live ? "\e[2K" : '').
                match ($run->work->state) {
                    WorkState::Done => "done     {$run->file} · {$run->slip['bytesLabel']}".
                        implode(
                            '',
                            array_map(fn (array $difference): string => "\n         {$difference['text']}", $run->slip['differences']),
                        ),
                    WorkState::Failed => "failed   {$run->name}: {$run->work->error}",
                    WorkState::Stopped => "stopped  {$run->name}",
                    default => sprintf(
                        '%-8s %s · %d of %d frames · %d %%%s%s',
                        $run->work->state->value,
                        $run->name,
                        $run->work->frames,
                        $run->plan['frames'],
                        $run->work->percent,
                        $speed,
                        $left,
                    ),
                }.
                $end,
        );
    }

    /** @return array<string, mixed> */
    private function result(Run $run): array
    {
        $whole = RunResource::whole($run);

        return [
            'file' => $run->work->state === WorkState::Done ? $run->file : null,
            'bytes' => $run->slip['bytes'] ?? null,
            'sha256' => $run->slip['sha256'] ?? null,
            'state' => $run->work->state->value,
            'error' => $run->work->error,
            'plan' => $whole['plan'],
            'slip' => $whole['slip'],
        ];
    }
}
