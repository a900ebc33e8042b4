<?php

namespace App\Console;

use App\Dispatch\Dispatches;
use App\Dispatch\Facts;
use App\Dispatch\HostAccounts;
use App\Media\FileProblem;
use App\Models\Dispatch;
use App\Models\Run;
use App\Models\Volumes;
use App\Models\Work;
use App\Resources\DispatchResource;
use App\Work\Worker;
use OuterCrate\Analysis\Severity;
use OuterCrate\Dispatch\Remark;
use OuterCrate\Dispatch\Stage;

class SendCommand extends CrateCommand
{
    /** Microseconds between looks at what is put off. */
    private const PAUSE = 200_000;

    protected $signature = 'send
        {file : The file}
        {--host= : Where it goes}
        {--account= : As whom; the first account of the host when left out}
        {--details= : A JSON file: title, description, tags, category, language, licence, declarations}
        {--unlisted : Whoever has its address sees it; nobody does when left out}
        {--hold : Hold it until it is released, which is what happens anyway}
        {--json : Print JSON}';

    protected $description = 'Send a file to a host, where it is held until it is released';

    protected function perform(): int
    {
        $host = $this->option('host') ?? throw new WrongUse('Say where to: --host=HOST.');
        $account = app(HostAccounts::class)->need($host, $this->option('account'));
        $path = $this->file();
        is_file($path) || throw new FileProblem('There is no such file.', $path, 'It may have been moved or renamed.');
        $run = Run::query()->where('file', Volumes::place($path))->whereNotNull('slip')->orderByDesc('id')->first();
        foreach (app(Facts::class)->remarks($path, $run, $account) as $remark) {
            $this->tell($remark);
            if ($remark->severity === Severity::Stop) {
                return self::FAILURE;
            }
        }
        $dispatches = app(Dispatches::class);
        $visibility = $this->option('unlisted') ? 'unlisted' : 'private';
        $dispatch = $run === null
            ? $dispatches->ofFile($path, $account, $this->details(), $visibility)
            : $dispatches->ofRun($run, $account, $this->details(), $visibility);
        $this->send($dispatch);
        $this->option('json')
            ? $this->json(['dispatch' => DispatchResource::of($dispatch->refresh())])
            : $this->line("{$dispatch->id}  {$dispatch->stage->words()}".($dispatch->problem === null ? '' : ": {$dispatch->problem}"));

        return $dispatch->stage->hasArrived() ? self::SUCCESS : self::FAILURE;
    }

    /** Until it has arrived, or needs the person: what is put off for a while is waited for. */
    private function send(Dispatch $dispatch): void
    {
        $worker = app(Worker::class);
        while (in_array($dispatch->refresh()->stage, [Stage::Waiting, Stage::Sending], true)) {
            $worker->one([Dispatch::SENDS], only: [$dispatch->work->id], onProgress: function (Work $work) use ($dispatch): void {
                $this->option('json') || $this->output->write(sprintf("\r%3d %% of %s ", $work->percent, basename($dispatch->file)));
            }) || usleep(self::PAUSE);
        }
        $this->option('json') || $this->line('');
    }

    private function tell(Remark $remark): void
    {
        $this->option('json') && $remark->severity !== Severity::Stop
            || $this->line("{$remark->severity->value}: {$remark->text} {$remark->todo}");
    }

    /** @return array<string, mixed> */
    private function details(): array
    {
        $path = $this->option('details');
        if ($path === null) {
            return [];
        }
        $details = json_decode((string) @file_get_contents($this->absolute($path)), true);

        return is_array($details) ? $details : throw new WrongUse("{$path} is no JSON of details.");
    }
}
