<?php

namespace App\Console;

use App\Library\Hosts;
use App\Models\WorkState;
use App\Teaching\SaveTaught;
use App\Teaching\Teachings;
use App\Work\Worker;
use App\Work\WorkQueue;

class TeachCommand extends CrateCommand
{
    use WaitsForWork;

    protected $signature = 'teach
        {host : Which host is taught}
        {files* : An upload and what the host made of it, in any order}
        {--lesson=* : Another upload with what the host made of it: a folder with those files}
        {--save : Make what was learnt a version of the host}
        {--json : Print resources/schema/taught.json}';

    protected $description = 'Learn what a host does from an upload and the files that it made of it';

    public function __construct(
        private readonly Hosts $hosts,
        private readonly Teachings $teachings,
        private readonly SaveTaught $save,
        private readonly Worker $worker,
        private readonly WorkQueue $queue,
    ) {
        parent::__construct();
    }

    protected function perform(): int
    {
        $host = $this->hosts->need((string) $this->argument('host'));
        $lessons = [array_map($this->real(...), (array) $this->argument('files'))];
        foreach ($this->option('lesson') as $folder) {
            $lessons[] = $this->in($this->absolute($folder));
        }
        $teaching = $this->teachings->ask($host, $lessons);
        $work = $this->finish($this->worker, $this->queue, $teaching->work, 'learning');
        $result = $teaching->refresh()->result;
        if ($work->state !== WorkState::Done || $result === null) {
            throw NotDone::of($work, 'teaching');
        }
        $saved = $this->option('save') ? $this->save->save($teaching) : null;
        if ($this->option('json')) {
            $this->json($result);

            return self::SUCCESS;
        }
        $this->show($result);
        $saved === null ?: $this->line("Saved as version {$saved->version} of {$saved->name()} ({$saved->slug}).");

        return self::SUCCESS;
    }

    private function real(string $path): string
    {
        $path = $this->absolute($path);

        return realpath($path) ?: $path;
    }

    /** @return list<string> */
    private function in(string $folder): array
    {
        $files = array_values(array_filter(glob(rtrim($folder, '/').'/*') ?: [], is_file(...)));

        return $files === [] ? throw new WrongUse("{$folder} is no folder with files in it.") : $files;
    }

    /** @param  array<string, mixed>  $result */
    private function show(array $result): void
    {
        foreach ($result['lessons'] as $lesson) {
            $upload = $lesson['upload'];
            $facts = "{$upload['frame']}, {$upload['frameRate']} fps, {$upload['codec']}";
            $this->line("<options=bold>{$upload['name']}</> is the upload: {$facts}.");
            foreach ($lesson['renditions'] as $one) {
                $this->line(sprintf(
                    '  %s: %s at %d lines, %.0f kb/s, %.2f dB SSIM%s',
                    $one['name'],
                    $one['codec'],
                    $one['shorterSide'],
                    $one['kbps'],
                    $one['ssimDb'],
                    $one['standIn'] === null ? '' : sprintf(
                        '; the stand-in %+.1f %% and %+.2f dB',
                        100 * $one['standIn']['rateOff'],
                        $one['standIn']['ssimOff'],
                    ),
                ));
            }
        }
        array_map($this->line(...), [$result['words'], $result['nearness'], ...$result['remarks'], ...$result['next']]);
    }
}
