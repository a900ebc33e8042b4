<?php

/*
 * What visitors notice while others attack the server, for 60 s (or as many as are given): bodies that claim 100 GB, bodies of 700 MB,
 * bodies without an end, heads and bodies that come a byte a second, and a crowd of requests. Attackers come from 127.0.0.2 and on,
 * visitors from 127.0.0.1.
 *
 * usage: bin/bench attack [SECONDS]
 */

require __DIR__.'/bench.php.inc';

/** Seconds within which an answer counts. */
const PATIENCE = 5;

$seconds = (int) ($argv[1] ?? 60);
$address = serve($scratch);
$port = (int) parse_url($address, PHP_URL_PORT);
$end = microtime(true) + $seconds;

function opened(int $port, int $attacker): mixed
{
    $from = stream_context_create(['socket' => ['bindto' => "127.0.0.{$attacker}:0"]]);
    $socket = @stream_socket_client("tcp://127.0.0.1:{$port}", $code, $text, 2, STREAM_CLIENT_CONNECT, $from);
    $socket === false ?: stream_set_blocking($socket, false);

    return $socket;
}

/** Keeps so many connections busy: each sends its head, then its pieces at the given pause, and is opened again when it is closed. */
function attack(int $port, int $attacker, float $end, int $connections, string $head, string $piece, float $pause): never
{
    $open = [];
    while (microtime(true) < $end) {
        for ($i = 0; $i < $connections; $i++) {
            if (! isset($open[$i])) {
                $socket = opened($port, $attacker);
                if ($socket !== false) {
                    @fwrite($socket, $head);
                    $open[$i] = $socket;
                }

                continue;
            }
            $answer = @fread($open[$i], 8192);
            if (($answer !== '' && $answer !== false) || feof($open[$i]) || @fwrite($open[$i], $piece) === false) {
                fclose($open[$i]);
                unset($open[$i]);
            }
        }
        usleep((int) (1e6 * $pause));
    }
    // Not exit(): that would end the server as well, and remove its folder.
    posix_kill(posix_getpid(), SIGKILL);
    exit;
}

$post = fn (string $more): string => "POST /api/plan HTTP/1.1\r\nHost: 127.0.0.1:{$port}\r\nContent-Type: application/json\r\n{$more}\r\n";
$attacks = [
    'bodies that claim 100 GB' => [2, 4, $post("Content-Length: 99999999999\r\n"), 'x', 0.05],
    'bodies of 700 MB' => [3, 3, $post("Content-Length: 700000000\r\n"), str_repeat('x', 65536), 0.002],
    'bodies without an end' => [4, 3, $post("Transfer-Encoding: chunked\r\n"), "10000\r\n".str_repeat('x', 65536)."\r\n", 0.002],
    'heads a byte a second' => [5, 500, "GET / HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ", 'x', 1.0],
    'bodies a byte a second' => [6, 100, $post("Content-Length: 1000000\r\n"), 'x', 1.0],
    'a crowd of requests' => [7, 60, "GET /api/uploads HTTP/1.1\r\nHost: 127.0.0.1:{$port}\r\nConnection: close\r\n\r\n", '', 0.02],
];

/** Bytes that the processes have for themselves, and their part of what they share (proc(5), smaps_rollup). */
function memory(string $scratch): int
{
    return array_sum(array_map(
        fn (int $process): int => preg_match('~^Pss:\s+(\d+)~m', (string) @file_get_contents("/proc/{$process}/smaps_rollup"), $m) === 1
            ? 1024 * (int) $m[1]
            : 0,
        serving($scratch),
    ));
}

$requests = [
    ['GET', '/', null], ['GET', '/api/machine', null], ['GET', '/api/uploads', null], ['GET', '/api/cuts', null],
    ['POST', '/api/library/host/table', '{"text":"1080p 9 Mb/s"}'],
];
$curl = curl_init();
$ask = function (string $method, string $path, ?string $body) use ($curl, $address): array {
    curl_setopt_array($curl, [
        CURLOPT_URL => $address.$path, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => PATIENCE,
        CURLOPT_POSTFIELDS => $body, CURLOPT_HTTPHEADER => ['Content-Type: application/json', 'Expect:'],
    ]);
    $begun = hrtime(true);
    curl_exec($curl);

    return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE) === 200, (hrtime(true) - $begun) / 1e6];
};
foreach ($requests as $request) {
    [$isAnswered] = $ask(...$request);
    $isAnswered ?: throw new RuntimeException("{$request[0]} {$request[1]} is not answered without an attack either.");
}
$calm = array_map(fn (): float => $ask('GET', '/api/uploads', null)[1], range(1, 40));
$before = memory($scratch);
$children = [];
foreach ($attacks as [$attacker, $connections, $head, $piece, $pause]) {
    $child = pcntl_fork();
    $child !== 0 ?: attack($port, $attacker, $end, $connections, $head, $piece, $pause);
    $children[] = $child;
}
$times = $failed = [];
$memory = [];
$looked = 0.0;
while (microtime(true) < $end) {
    $request = $requests[count($times) % count($requests)];
    [$isAnswered, $times[]] = $ask(...$request);
    $isAnswered ?: $failed[] = "{$request[0]} {$request[1]} ".curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    if (microtime(true) - $looked > 1) {
        $memory[] = memory($scratch);
        $looked = microtime(true);
    }
    usleep(20_000);
}
foreach ($children as $child) {
    posix_kill($child, SIGKILL);
    pcntl_waitpid($child, $status);
}
sleep(2);
printf("%d s of: %s\n", $seconds, implode(', ', array_keys($attacks)));
figure(
    sprintf('Visitors answered well within %d s, of %d', PATIENCE, count($times)),
    sprintf('%.2f %%', 100 * (1 - count($failed) / count($times))),
    'at least 99 %',
);
figure('Their median / that without an attack', sprintf('%.1f ×', percentile($times, 0.5) / percentile($calm, 0.5)), sprintf(
    'no promise; %.0f ms, 99 of 100 within %.0f ms', percentile($times, 0.5), percentile($times, 0.99),
));
$third = max(1, intdiv(count($memory), 3));
figure(
    'Memory of nginx and PHP-FPM, last third of it / first third',
    sprintf('%.2f ×', max(array_slice($memory, -$third)) / max(array_slice($memory, 0, $third))),
    sprintf('flat; %.0f MB before, %.0f MB at most, %.0f MB after', $before / 1e6, max($memory) / 1e6, memory($scratch) / 1e6),
);
foreach (array_count_values($failed) as $what => $times) {
    echo "  not answered: {$what}, {$times} times\n";
}
