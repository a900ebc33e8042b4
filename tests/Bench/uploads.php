<?php

/*
 * What the server needs to take a file in the pieces that the page sends: its memory for a small and for a large file, and the
 * bytes on the disk while it arrives against those that were sent.
 */

use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

const PIECE = 8 * 1024 * 1024;

$address = serve($scratch);
$peak = fn (): int => max(
    array_map(
        fn (int $pid): int => preg_match('~VmHWM:\s+(\d+)~', (string) @file_get_contents("/proc/{$pid}/status"), $m) === 1
            ? (int) $m[1] * 1024
            : 0,
        serving($scratch),
    ),
);
$piece = random_bytes(PIECE);
$curl = curl_init();
$ask = function (string $method, string $url, array $headers, string $body = '') use ($curl): string {
    curl_setopt_array($curl, [
        CURLOPT_URL => $url,
        CURLOPT_CUSTOMREQUEST => $method,
        CURLOPT_RETURNTRANSFER => true,
        CURLOPT_HEADER => true,
        CURLOPT_POSTFIELDS => $body,
        CURLOPT_HTTPHEADER => ['Tus-Resumable: 1.0.0', 'Expect:', ...$headers],
    ]);

    return (string) curl_exec($curl);
};
$onDisk = fn (): int => (int) (new Process(['du', '-sb', $scratch]))->mustRun()->getOutput();
$send = function (int $pieces) use ($ask, $address, $piece, $onDisk): array {
    preg_match('~^Location: (\S+)~mi', $ask('POST', "{$address}/api/uploads", ['Content-Type:', 'Upload-Length: '.$pieces * PIECE]), $m);
    $most = 0;
    $before = $onDisk();
    $begun = hrtime(true);
    for ($i = 0; $i < $pieces; $i++) {
        $ask('PATCH', $m[1], ['Content-Type: application/offset+octet-stream', 'Upload-Offset: '.$i * PIECE], $piece);
        if ($i % 16 === 0) {
            $most = max($most, ($onDisk() - $before) / (($i + 1) * PIECE));
        }
    }

    return [$most, ($pieces * PIECE) / ((hrtime(true) - $begun) / 1e9)];
};
$send(8);
$small = $peak();
[$most, $speed] = $send(128);
$large = $peak();
figure(
    'Memory of a server process for a file of 1 GB / of 64 MB',
    sprintf('%.2f ×', $large / $small),
    sprintf('constant; %.0f MB', $large / 1e6),
);
figure('Bytes on the disk while it arrives / bytes sent', sprintf('%.2f ×', $most), 'no second copy');
figure('Taken in', sprintf('%.0f MB/s', $speed / 1e6), 'no promise');
