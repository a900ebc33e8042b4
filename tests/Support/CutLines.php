<?php

namespace Tests\Support;

use App\Dispatch\Dispatches;
use App\Dispatch\HostAccounts;
use App\Models\Dispatch;
use App\Models\Work;
use App\Work\Worker;
use OuterCrate\Dispatch\Stage;

/** Sends many files over a line that is cut again and again, and counts what became of them. */
final class CutLines
{
    /**
     * @return array{files: int, arrived: int, wrong: int, restarts: int, twice: int, cut: int}
     */
    public static function sent(StandInHost $host, string $folder, int $files, int $cuts, int $seed): array
    {
        mt_srand($seed);
        config(['crate.dispatch.hosts' => ['lanternwick' => $host->address]]);
        $account = app(HostAccounts::class)->signIn('lanternwick', StandInHost::NAME, StandInHost::PASSWORD);
        $bytes = 0;
        for ($i = 0; $i < $files; $i++) {
            $path = "{$folder}/file-{$i}.bin";
            file_put_contents($path, random_bytes(mt_rand(100_000, 1_500_000)));
            $bytes += (int) filesize($path);
            app(Dispatches::class)->ofFile($path, $account, [], 'private');
        }
        // Soon enough that all of them happen before the last file has arrived.
        $host->fault('drop', ['after' => intdiv($bytes, 2 * $cuts), 'times' => $cuts, 'random' => 1]);
        $worker = app(Worker::class);
        do {
            Work::query()->update(['not_before' => null]);
            $worker->one([Dispatch::SENDS]);
        } while (Dispatch::query()->whereIn('stage', [Stage::Waiting, Stage::Sending])->exists());
        $all = Dispatch::query()->get();
        $videos = $host->videos();

        return [
            'files' => $files,
            'arrived' => $all->filter(fn (Dispatch $one): bool => $one->stage === Stage::Held)->count(),
            'wrong' => $all->filter(fn (Dispatch $one): bool => $one->video()?->sha256 !== hash_file('sha256', $one->file))->count(),
            'restarts' => (int) $all->sum('restarts'),
            'twice' => count($videos) - count(array_unique(array_column($videos, 'sha256'))),
            'cut' => $host->cuts(),
        ];
    }
}
