<?php

/*
 * Sending: what random cuts of the line do to fifty files, and what our client costs beside curl, over loopback to the same server.
 *
 * usage: bin/bench dispatch [CUTS [MEGABYTES]]      200 and 1024 when left out
 */

use App\Dispatch\Dispatches;
use App\Dispatch\HostAccounts;
use App\Models\Dispatch;
use App\Work\Worker;
use Symfony\Component\Process\Process;
use Tests\Support\CutLines;
use Tests\Support\StandInHost;

require __DIR__.'/bench.php.inc';

$cuts = (int) ($argv[1] ?? 200);
$megabytes = (int) ($argv[2] ?? 1024);
mkdir("{$scratch}/host");
$host = new StandInHost("{$scratch}/host");
$host->begin();
register_shutdown_function(fn () => $host->end());

$seed = random_int(1, 1_000_000);
$found = CutLines::sent($host, "{$scratch}/media", 50, $cuts, $seed);
figure("seed {$seed}: files sent over cuts of the line", "{$found['files']} over {$found['cut']}", "50 over {$cuts}");
figure('arrived', (string) $found['arrived'], '50');
figure('with other bytes', (string) $found['wrong'], '0');
figure('begun again from their first byte', (string) $found['restarts'], '0');
figure('sent twice', (string) $found['twice'], '0');

// Pieces as large as the server takes, by curl; one file, by ours. In turn, and the median of three.
$host->mend('drop');
$account = app(HostAccounts::class)->need('lanternwick');
$piece = 64 * 1024 * 1024;
$path = "{$scratch}/media/large.bin";
(new Process(['head', '-c', (string) ($megabytes * 1024 * 1024), '/dev/urandom']))->setTimeout(null)
    ->run(fn (string $type, string $bytes) => file_put_contents($path, $bytes, FILE_APPEND));
(new Process(['split', '-b', (string) $piece, $path, "{$scratch}/media/part-"]))->setTimeout(null)->mustRun();
$token = (string) $account->token;
$curl = function () use ($host, $token, $path, $scratch): float {
    $begun = hrtime(true);
    $ask = fn (string ...$words): string => (new Process([
        'curl', '-s', '-i', '-H', "Authorization: Bearer {$token}", '-H', 'Tus-Resumable: 1.0.0', '-H', 'Expect:', ...$words,
    ]))->setTimeout(null)->mustRun()->getOutput();
    preg_match('~^Location: (\S+)~mi', $ask('-X', 'POST', '-H', 'Upload-Length: '.filesize($path), "{$host->address}/api/files"), $m);
    $offset = 0;
    foreach (glob("{$scratch}/media/part-*") as $part) {
        $type = 'Content-Type: application/offset+octet-stream';
        $ask('-X', 'PATCH', '-H', $type, '-H', "Upload-Offset: {$offset}", '--data-binary', "@{$part}", $m[1]);
        $offset += filesize($part);
    }

    return (hrtime(true) - $begun) / 1e9;
};
$most = 0;
$ours = function () use ($account, $path, &$most): float {
    $dispatch = app(Dispatches::class)->ofFile($path, $account, [], 'private');
    // Its checksum is known of what was made here.
    $dispatch->update(['bytes' => filesize($path), 'sha256' => hash_file('sha256', $path)]);
    memory_reset_peak_usage();
    $before = memory_get_peak_usage();
    $begun = hrtime(true);
    app(Worker::class)->one([Dispatch::SENDS]);
    $most = max($most, memory_get_peak_usage() - $before);
    $dispatch->refresh()->remote_id !== null || throw new RuntimeException((string) $dispatch->problem);

    return (hrtime(true) - $begun) / 1e9;
};
$times = ['curl' => [], 'ours' => []];
for ($i = 0; $i < 3; $i++) {
    $times['curl'][] = $curl();
    $times['ours'][] = $ours();
}
$ratio = percentile($times['ours'], 0.5) / percentile($times['curl'], 0.5);
figure("{$megabytes} MB over loopback, ours / curl", sprintf('%.2f ×', $ratio), 'at most 1.3');
figure('memory that our client takes for it', sprintf('%.1f MB', $most / 1e6), 'the same for every length');
