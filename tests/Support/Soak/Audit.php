<?php

namespace Tests\Support\Soak;

use App\Models\Dispatch;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\Volumes;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Packing\Run\RunFolder;
use App\Work\WorkQueue;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OuterCrate\Dispatch\Stage;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Tests\Support\StandInHost;

/** Compares database, disk and host once all faults are over. */
final class Audit
{
    /** Time for all work to finish. A sending that failed often waits ten minutes before its next try. */
    private const DRAIN_SECONDS = 900;

    /** How often a failed run is retried, as a person would. */
    private const MAX_TRIES = 4;

    private const ACCOUNT = ['host' => 'lanternwick', 'name' => StandInHost::NAME, 'password' => StandInHost::PASSWORD];

    /** @var list<string> */
    public array $remarks = [];

    public function __construct(private readonly Site $site)
    {
    }

    /** Resumes what was paused and retries what failed, until all work has ended. */
    public function drain(): void
    {
        $packer = app(Packer::class);
        $queue = app(WorkQueue::class);
        $tried = [];
        // The host's clock was set as well, so its tokens may have expired.
        (new Client)->ask('POST', "{$this->site->machines[0]->address}/api/host-accounts", self::ACCOUNT);
        for ($end = hrtime(true) + 1e9 * self::DRAIN_SECONDS; hrtime(true) < $end; sleep(1)) {
            Run::query()->where('recalled', true)->update(['recalled' => false]);
            Work::query()->where('paused', true)->get()->each(fn (Work $work) => $queue->pause($work, false));
            $failed = Run::query()->get()->filter(fn (Run $run): bool => $run->work->state === WorkState::Failed)
                ->filter(fn (Run $run): bool => ($tried[$run->id] ?? 0) < self::MAX_TRIES);
            foreach ($failed as $run) {
                $tried[$run->id] = 1 + ($tried[$run->id] ?? 0);
                rescue(fn () => $packer->retry($run), report: false);
            }
            if ($failed->isEmpty() && self::underWay()->isEmpty()) {
                return;
            }
        }
    }

    /** @return Collection<int, Work> unfinished work; polling the host for its renditions never ends and does not count */
    public static function underWay(): Collection
    {
        return Work::query()->whereIn('state', WorkState::underWay())->whereNotIn('kind', [Dispatch::FOLLOWS])->get();
    }

    /** @return array<string, array{int, string}> count and promised count by name */
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
        // A cut that was written while its drive was removed is not on the drive.
        [$failed, $without] = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Failed)
            ->partition(fn (Run $run): bool => is_file($run->source));
        foreach ($failed as $run) {
            $this->remarks[] = "failed: {$run->work->error}";
        }
        $stuck = self::underWay();
        foreach ($stuck as $work) {
            $this->remarks[] = "waits: {$work->kind} {$work->subject} {$work->state->value} until {$work->not_before}: {$work->error}";
        }
        $unknown = $this->unknown($known);
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
     * @param  list<string>  $known  paths of finished files
     * @return list<string> other files in the delivery folder
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
            // Cleared files and hash lists.
            $isBeside = preg_match('~/(\.cleared|ascmhl)/~', $path) === 1;
            $above !== $out || $isBeside ?: $found[] = $path;
        }

        return $found;
    }

    /**
     * Working folders of stopped runs do not count: they are kept so that the run can resume.
     *
     * @param  Collection<int, Run>  $runs
     */
    private function workingFolders(Collection $runs): int
    {
        $kept = $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Stopped)
            ->map(fn (Run $run): string => RunFolder::name($run->id))->all();
        $left = array_diff(array_map(basename(...), glob("{$this->site->disk}/share/derived/work/*", GLOB_ONLYDIR) ?: []), $kept);
        // Folders of samples and tests whose process was killed: housekeeping deletes them after two days.
        $left = preg_grep('~-[0-9a-f]{8}$~', $left, PREG_GREP_INVERT);
        array_push($this->remarks, ...array_map(fn (string $name): string => "working folder: {$name}", $left));

        return count($left);
    }

    /** @return array<int, true> runs whose files a user asked to clear */
    private function cleared(): array
    {
        $ids = array_merge(...array_map(
            fn (string $file): array => array_map(intval(...), array_filter(explode("\n", (string) file_get_contents($file)))),
            glob("{$this->site->folder}/cleared-*") ?: [],
        ));

        return array_fill_keys($ids, true);
    }
}
