<?php

namespace App\Console;

use App\Http\Resources\RunResource;
use App\Library\Presets;
use App\Media\CutShelf;
use App\Models\Run;
use App\Models\RunState;
use App\Packing\Packer;
use App\Planning\Planning;
use App\Planning\Surroundings;

class PackCommand extends CrateCommand
{
    protected $signature = 'pack {file : The media file} {--output=* : PRESET or PRESET@HOST, once for each file to make} {--to= : Folder for the files} {--json : Print resources/schema/pack-command.json}';

    protected $description = 'Make the files';

    private bool $ending = false;

    public function __construct(
        private readonly CutShelf $shelf,
        private readonly Planning $planning,
        private readonly Surroundings $surroundings,
        private readonly Packer $packer,
        private readonly Presets $presets,
    ) {
        parent::__construct();
    }

    protected function perform(): int
    {
        $outputs = OutputOption::all($this->option('output'), $this->presets);
        $folder = $this->option('to') ?? throw new WrongUse('Say where the files go: --to=DIR.');
        $folder = $this->absolute($folder);
        $cut = $this->shelf->bringIn($this->file(), analyse: false);
        $runs = $this->packer->queue($cut, $this->planning->plans($this->surroundings->of($cut, null, $folder), $outputs), $folder, dispatch: false);
        $this->trap([SIGINT, SIGTERM], function () use ($runs): void {
            Run::query()->whereKey($runs->modelKeys())->update(['stop_asked' => true]);
            $this->ending = true;
        });
        foreach ($runs as $run) {
            if (! $this->ending) {
                $this->packer->make($run, onProgress: $this->show(...));
            }
            // A run that was stopped before its turn is over too.
            Run::query()->whereKey($run->id)->where('state', RunState::Waiting)->update(['state' => RunState::Stopped]);
            $run->refresh();
            $this->show($run, "\n");
        }
        $failed = $runs->contains(fn (Run $run): bool => $run->state !== RunState::Done);
        if ($this->option('json')) {
            $this->json(['outputs' => $runs->map($this->result(...))->all()]);
        }

        return $failed ? self::FAILURE : self::SUCCESS;
    }

    /** Progress and results go to the error stream, so that --json stays clean. */
    private function show(Run $run, string $end = "\r"): void
    {
        $live = stream_isatty(STDERR);
        if (! $live && ! $run->state->isOver()) {
            return;
        }
        $left = $run->seconds_left === null ? '' : ", {$run->seconds_left} s left";
        $speed = $run->speed === null ? '' : " · {$run->speed} fps";
        fwrite(STDERR, ($live ? "\e[2K" : '').match ($run->state) {
            RunState::Done => "done     {$run->file} · {$run->slip['bytesLabel']}".implode('', array_map(fn (array $difference): string => "\n         {$difference['text']}", $run->slip['differences'])),
            RunState::Failed => "failed   {$run->name}: {$run->error}",
            RunState::Stopped => "stopped  {$run->name}",
            default => sprintf('%-8s %s · %d of %d frames · %d %%%s%s', $run->state->value, $run->name, $run->frames, $run->plan['frames'], $run->percent, $speed, $left),
        }.$end);
    }

    /** @return array<string, mixed> */
    private function result(Run $run): array
    {
        $whole = RunResource::whole($run);

        return [
            'file' => $run->state === RunState::Done ? $run->file : null,
            'bytes' => $run->slip['bytes'] ?? null,
            'sha256' => $run->slip['sha256'] ?? null,
            'state' => $run->state->value,
            'error' => $run->error,
            'plan' => $whole['plan'],
            'slip' => $whole['slip'],
        ];
    }
}
