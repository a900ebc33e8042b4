<?php

namespace Tests\Support\Soak;

use App\Models\Dispatch;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Volumes;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\MakeFile;
use App\Packing\Packer;
use App\Work\WorkQueue;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OuterCrate\Dispatch\Stage;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Tests\Support\StandInHost;

/** What is left once all faults are over: looked up in the database, on the disk and at the host, and held against each other. */
final class Audit
{
    /** Seconds in which what is under way has to come to an end: a sending that failed often is tried again after ten minutes. */
    private const DRAIN = 900;

    /** How often a person presses “Try again” on a run that failed. */
    private const TRIES = 4;

    private const ACCOUNT = ['host' => 'lanternwick', 'name' => StandInHost::NAME, 'password' => StandInHost::PASSWORD];

    /** @var list<string> */
    public array $remarks = [];

    public function __construct(private readonly Site $site)
    {
    }

    /** What a person does in the end: lets everything go on that was paused, and tries again what failed. */
    public function drain(): void
    {
        $packer = app(Packer::class);
        $queue = app(WorkQueue::class);
        $tried = [];
        // The host's clock was set as well, and its tokens have ended.
        (new Client)->ask('POST', "{$this->site->machines[0]->address}/api/host-accounts", self::ACCOUNT);
        for ($end = hrtime(true) + 1e9 * self::DRAIN; hrtime(true) < $end; sleep(1)) {
            Run::query()->where('recalled', true)->update(['recalled' => false]);
            Work::query()->where('paused', true)->get()->each(fn (Work $work) => $queue->pause($work, false));
            $failed = Run::query()->get()->filter(fn (Run $run): bool => $run->work->state === WorkState::Failed)
                ->filter(fn (Run $run): bool => ($tried[$run->id] ?? 0) < self::TRIES);
            foreach ($failed as $run) {
                $tried[$run->id] = 1 + ($tried[$run->id] ?? 0);
                rescue(fn () => $packer->retry($run), report: false);
            }
            if ($failed->isEmpty() && self::underWay()->isEmpty()) {
                return;
            }
        }
    }

    /** @return Collection<int, Work> that somebody waits for; what is looked at every so often for as long as it is there is none of it */
    public static function underWay(): Collection
    {
        return Work::query()->whereIn('state', WorkState::underWay())->whereNotIn('kind', [Dispatch::FOLLOWS])->get();
    }

    /** @return array<string, array{int, string}> what was found, and what was promised, by what was looked for */
    public function found(): array
    {
        $cleared = $this->cleared();
        $runs = Run::query()->get();
        $done = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Done)->keyBy('id');
        $bin = DB::table('cleared_files')->pluck('cleared', 'run_id');
        $missing = $wrong = 0;
        $known = [];
        foreach ($done->whereNull('gone_at') as $run) {
            $known[] = (string) realpath($run->file);
            if (! file_exists($run->file)) {
                if (! isset($cleared[$run->id])) {
                    $missing++;
                    $this->remarks[] = "missing: {$run->file}";
                }

                continue;
            }
            $sums = is_dir($run->file) ? "{$run->file}/SHA256SUMS" : $run->file;
            if (! is_file($sums) || hash_file('sha256', $sums) !== ($run->slip['sha256'] ?? null)) {
                $wrong++;
                $this->remarks[] = sprintf(
                    'not what its slip says: run %d, %d bytes of %s, %d on its slip of %s, %s',
                    $run->id, (int) @filesize($sums), gmdate('H:i:s', (int) @filemtime($sums)), $run->slip['bytes'] ?? 0,
                    $run->work->ended_at, $run->file,
                );
                $log = RunLog::query()->where('run_id', $run->id)->orderBy('id')->get();
                array_push($this->remarks, ...$log->map(
                    fn (RunLog $line): string => "  {$line->at} ".mb_strcut($line->text, 0, 200),
                )->all());
            }
        }
        $named = $done->whereNull('gone_at')->map(fn (Run $run): string => (string) $run->getRawOriginal('file'))
            ->reject(fn (string $file, int $id): bool => isset($cleared[$id]));
        // Of a cut that was written beside its drive, while that was away, there is no file.
        [$failed, $without] = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Failed)
            ->partition(fn (Run $run): bool => is_file($run->source));
        foreach ($failed as $run) {
            $this->remarks[] = "failed: {$run->work->error}";
        }
        $stuck = self::underWay();
        foreach ($stuck as $work) {
            $this->remarks[] = "waits: {$work->kind} {$work->subject} {$work->state->value} until {$work->not_before}: {$work->error}";
        }
        // An engine whose worker was killed as it started may outlive it; the hourly clean-up deletes what it wrote.
        $unknown = $this->unknown($known);
        $unfinished = preg_grep('~/\.[^/]+\.partial(\.\w+)?$~', $unknown);
        $unknown = array_values(array_diff($unknown, $unfinished));
        array_push($this->remarks, ...array_map(fn (string $file): string => "nobody knows: {$file}", $unknown));

        return [
            'runs' => [$runs->count(), ''],
            'of them made' => [$done->count(), ''],
            'stopped by somebody' => [$runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Stopped)->count(), ''],
            'failed, since their cut is gone' => [$without->count(), ''],
            'failed for good' => [$failed->count(), '0'],
            'work that never came to an end' => [$stuck->count(), '0'],
            'made files that are not there' => [$missing, '0'],
            'made files that are not what their slips say' => [$wrong, '0'],
            'two runs under one name' => [$named->count() - $named->unique()->count(), '0'],
            'files that nobody knows: half, or made twice' => [count($unknown), '0'],
            'unfinished files of engines that outlived their workers' => [count($unfinished), 'deleted within the hour'],
            'working folders left' => [$this->workingFolders($runs), '0'],
            'files cleared away that are not there' => [
                $bin->filter(fn (string $path): bool => ! file_exists(Volumes::path($path)))->count(), '0',
            ],
            ...$this->sent(),
            ...$this->site->isPostgres ? [] : [
                'faults of the database' => [(int) (DB::selectOne('pragma integrity_check')->integrity_check !== 'ok'), '0'],
            ],
        ];
    }

    /** @return array<string, array{int, string}> */
    private function sent(): array
    {
        $client = new Client;
        [, $host] = $client->ask('POST', "{$this->site->host}/api/tokens", self::ACCOUNT);
        [, $told] = $client->ask('GET', "{$this->site->host}/api/videos", null, ["Authorization: Bearer {$host['token']}"]);
        $videos = $told['videos'];
        $byId = collect($videos)->keyBy('id');
        $sent = Dispatch::query()->get();
        $arrived = $sent->filter(fn (Dispatch $one): bool => in_array($one->stage, [Stage::Held, Stage::Released], true));
        foreach ($sent->diff($arrived) as $one) {
            $this->remarks[] = "sending: {$one->stage->value}: {$one->problem}";
        }

        return [
            'sendings' => [$sent->count(), ''],
            'not arrived' => [$sent->count() - $arrived->count(), '0'],
            'arrived with other bytes' => [
                $arrived->filter(fn (Dispatch $one): bool => ($byId[$one->remote_id]['sha256'] ?? '') !== $one->sha256)->count(), '0',
            ],
            'at the host twice' => [count($videos) - $arrived->pluck('remote_id')->unique()->count(), '0'],
        ];
    }

    /**
     * @param  list<string>  $known  paths of what was made
     * @return list<string> other files where files are delivered
     */
    private function unknown(array $known): array
    {
        $out = (string) realpath("{$this->site->disk}/share/out");
        $known = array_flip($known);
        $found = [];
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($out, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            $path = $file->getPathname();
            for ($above = $path; $above !== $out && ! isset($known[$above]); $above = dirname($above)) {
                continue;
            }
            // Files that were cleared away, and lists of hashes.
            $isBeside = preg_match('~/(\.cleared|ascmhl)/~', $path) === 1;
            $above !== $out || $isBeside ?: $found[] = $path;
        }

        return $found;
    }

    /**
     * Of a run that was stopped, what was made so far is kept: it can be made on.
     *
     * @param  Collection<int, Run>  $runs
     */
    private function workingFolders(Collection $runs): int
    {
        $kept = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Stopped)
            ->map(fn (Run $run): string => MakeFile::folder($run->id))->all();
        $left = array_diff(array_map(basename(...), glob("{$this->site->disk}/share/derived/work/*", GLOB_ONLYDIR) ?: []), $kept);
        // Of a sample or a test whose process was killed: housekeeping deletes them after two days.
        $left = preg_grep('~-[0-9a-f]{8}$~', $left, PREG_GREP_INVERT);
        array_push($this->remarks, ...array_map(fn (string $name): string => "working folder: {$name}", $left));

        return count($left);
    }

    /** @return array<int, true> runs whose files somebody wanted cleared away */
    private function cleared(): array
    {
        $ids = array_merge(...array_map(
            fn (string $file): array => array_map(intval(...), array_filter(explode("\n", (string) file_get_contents($file)))),
            glob("{$this->site->folder}/cleared-*") ?: [],
        ));

        return array_fill_keys($ids, true);
    }
}
