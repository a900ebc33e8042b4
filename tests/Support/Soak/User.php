<?php

namespace Tests\Support\Soak;

use Tests\Support\Clips;
use Tests\Support\StandInHost;

/**
 * A simulated user who brings in, edits, packs, pauses, tests, sends and clears on the pages of both machines. After a refusal or failure
 * it goes on with something else.
 */
final class User
{
    public const CLIPS = ['plain', 'few', 'ten-bit', 'slow', 'upright', 'tape', 'silent', 'uneven', 'hdr'];

    private const PRESETS = ['review-720', 'archive-10-bit', 'lossless-vault', 'sound-wav', 'frames-png', 'slow-line', 'sound-mp3'];

    /** Weights of the actions, in percent. */
    private const DEEDS = [
        'look' => 26, 'bringIn' => 7, 'upload' => 5, 'watched' => 3, 'edit' => 12, 'pack' => 14, 'packSheet' => 5, 'pause' => 5,
        'goOn' => 6, 'stop' => 2, 'recall' => 2, 'retry' => 3, 'move' => 2, 'test' => 1, 'send' => 3, 'clear' => 2, 'removeCut' => 1,
        'hashList' => 1,
    ];

    /** Limits for what two cores can work through. */
    private const MAX_QUEUE = 10;

    private const MAX_CUTS = 12;

    private int $made = 0;

    /** @param  resource  $cleared  log of the runs whose files were to be cleared */
    private function __construct(
        private readonly Site $site,
        private readonly Client $client,
        private readonly int $number,
        private $cleared,
    ) {
    }

    /** Starts a user in a child process, which runs until the site's folder contains a file named `over`. Returns the process ID. */
    public static function begin(Site $site, int $number, int $seed): int
    {
        $child = pcntl_fork();
        if ($child !== 0) {
            return $child;
        }
        array_map(fn (int $signal): bool => pcntl_signal($signal, SIG_DFL), [SIGINT, SIGTERM]);
        mt_srand($seed + $number);
        $user = new self(
            $site,
            new Client("{$site->folder}/answers-{$number}"),
            $number,
            fopen("{$site->folder}/cleared-{$number}", 'a'),
        );
        while (! is_file("{$site->folder}/over")) {
            $user->{self::deed()}();
            usleep(mt_rand(200_000, 1_500_000));
        }
        // exit() would run the bench's shutdown functions.
        posix_kill(posix_getpid(), SIGKILL);
        exit;
    }

    private static function deed(): string
    {
        $left = mt_rand(1, array_sum(self::DEEDS));
        foreach (self::DEEDS as $deed => $share) {
            $left -= $share;
            if ($left <= 0) {
                return $deed;
            }
        }

        return 'look';
    }

    private function look(): void
    {
        $cut = $this->cut();
        $run = $this->run(fn (): bool => true)['id'] ?? null;
        $paths = [
            '', 'api/cuts', 'api/strip', 'api/queue', 'api/machine', 'api/store', 'api/dispatches', 'api/workers', 'api/media',
            'api/settings',
            'api/choices', 'api/presets', 'api/hosts', 'api/watch-folders', 'api/uploads',
            ...$cut === null ? [] : array_map(
                fn (string $what): string => "api/cuts/{$cut}/{$what}",
                ['sheet', 'reading', 'analysis', 'curves', 'poster', 'strip', 'proxy', 'frames/3', 'tests', 'pieces'],
            ),
            ...$run === null ? [] : ["api/runs/{$run}/log", "api/runs/{$run}/file", "api/runs/{$run}/compare"],
        ];
        foreach ((array) array_rand(array_flip($paths), 3) as $path) {
            $this->get($path);
        }
        $cut === null || mt_rand(0, 2) > 0 ?: $this->ask('POST', "api/cuts/{$cut}/sheet/wanted");
    }

    private function bringIn(): void
    {
        $path = $this->clip($this->site->media);
        $this->hasRoom() && $path !== null && $this->ask('POST', 'api/cuts', ['path' => $path]);
    }

    /** Uploads a file in chunks and resumes after a fault. */
    private function upload(): void
    {
        if (! $this->hasRoom()) {
            return;
        }
        $bytes = (string) file_get_contents(Clips::make(self::pick(self::CLIPS)));
        $name = 'Upload '.$this->number.'-'.++$this->made.'.mov';
        $tus = ['Tus-Resumable: 1.0.0'];
        $named = ['Upload-Length: '.strlen($bytes), 'Upload-Metadata: filename '.base64_encode($name)];
        [$status, , $location] = $this->ask('POST', 'api/uploads', '', [...$tus, ...$named]);
        $offset = 0;
        $part = (int) ceil(strlen($bytes) / 5);
        for ($i = 0; $status === 201 && $i < 20 && $offset < strlen($bytes); $i++) {
            $headers = [...$tus, "Upload-Offset: {$offset}", 'Content-Type: application/offset+octet-stream'];
            [$patched] = $this->client->ask('PATCH', $location, substr($bytes, $offset, $part), $headers);
            $offset += $patched === 204 ? min($part, strlen($bytes) - $offset) : 0;
            if ($patched !== 204) {
                usleep(1_000_000);
                $offset = $this->arrived($location) ?? $offset;
            }
        }
    }

    private function arrived(string $location): ?int
    {
        foreach ($this->get('api/uploads')['uploads'] ?? [] as $upload) {
            if (str_ends_with($location, (string) $upload['id'])) {
                return $upload['offset'];
            }
        }

        return null;
    }

    /** Drops a file into the watch folder. */
    private function watched(): void
    {
        $this->hasRoom() && $this->clip("{$this->site->media}/watched");
    }

    private function edit(): void
    {
        $cut = $this->cut();
        $sheet = $cut === null ? [] : $this->get("api/cuts/{$cut}/sheet");
        if (! isset($sheet['version'])) {
            return;
        }
        $kbps = mt_rand(200, 2000);
        $edits = self::pick([
            (object) [],
            ['bitrate' => ['mode' => 'cbr', 'rate' => ['kbps' => $kbps]]],
            ['bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => $kbps], 'peak' => ['kbps' => 2 * $kbps]]],
            ['keyframes' => ['seconds' => 1, 'closed' => true, 'bFrames' => 2]],
        ]);
        $outputs = array_map(
            fn (int $i): array => ['key' => "soak-{$i}", 'preset' => self::pick(self::PRESETS), 'host' => null, 'edits' => $edits],
            range(1, mt_rand(1, 3)),
        );
        $this->ask('PUT', "api/cuts/{$cut}/sheet", ['version' => $sheet['version'], 'range' => null, 'outputs' => $outputs]);
    }

    private function pack(): void
    {
        $cut = $this->cut();
        $outputs = [['preset' => self::pick(self::PRESETS), 'host' => null, 'edits' => (object) []]];
        mt_rand(0, 3) > 0 ?: $outputs[] = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => (object) []];
        $cut !== null && $this->isQueueShort() && $this->ask('POST', "api/cuts/{$cut}/pack?again=1", ['outputs' => $outputs]);
    }

    private function packSheet(): void
    {
        $cut = $this->cut();
        $cut !== null && $this->isQueueShort() && $this->ask('POST', "api/cuts/{$cut}/pack?again=1");
    }

    private function pause(): void
    {
        $this->change('pause', fn (array $run): bool => in_array($run['state'], ['waiting', 'running'], true));
    }

    private function goOn(): void
    {
        $this->change('continue', fn (array $run): bool => $run['paused'] ?? false);
    }

    private function stop(): void
    {
        $this->change('stop', fn (array $run): bool => in_array($run['state'], ['waiting', 'running'], true));
    }

    private function recall(): void
    {
        $this->change('recall', fn (array $run): bool => $run['state'] === 'waiting');
    }

    private function retry(): void
    {
        $this->change('retry', fn (array $run): bool => $run['state'] === 'failed');
    }

    private function move(): void
    {
        $run = $this->run(fn (array $run): bool => $run['state'] === 'waiting');
        $run === null || $this->ask('PUT', "api/runs/{$run['id']}/place", ['before' => null]);
    }

    private function test(): void
    {
        $cut = $this->cut();
        $output = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => (object) []];
        $cut === null || $this->ask('POST', "api/cuts/{$cut}/tests", ['host' => 'lanternwick', 'outputs' => [$output], 'pieces' => 1]);
    }

    private function send(): void
    {
        $account = $this->get('api/dispatches')['accounts'][0]['id'] ?? null;
        // Tokens of the host expire by its clock, which faults may set.
        if ($account === null || mt_rand(0, 3) === 0) {
            $this->ask('POST', 'api/host-accounts', [
                'host' => 'lanternwick', 'name' => StandInHost::NAME, 'password' => StandInHost::PASSWORD,
            ]);

            return;
        }
        $run = $this->run(fn (array $run): bool => $run['state'] === 'done' && $run['onDisk'] && $run['role'] === 'upload');
        $run === null || $this->ask('POST', 'api/dispatches', [
            'run' => $run['id'], 'account' => $account, 'visibility' => 'private',
            'details' => ['title' => "Kiln Diary {$run['id']}", 'declarations' => [
                'madeForChildren' => false, 'paidPromotion' => false, 'alteredContent' => false, 'rights' => true,
            ]],
        ]);
    }

    /** Clears some finished files, and sometimes deletes them for good. */
    private function clear(): void
    {
        $done = array_filter($this->runs(), fn (array $run): bool => $run['state'] === 'done' && $run['onDisk']);
        if (count($done) < 30) {
            return;
        }
        $runs = array_column(array_slice($done, -8), 'id');
        // Logged before the request: without an answer, the result is unknown.
        fwrite($this->cleared, implode("\n", $runs)."\n");
        $this->ask('POST', 'api/store/clear', ['runs' => $runs]);
        mt_rand(0, 2) > 0 ? $this->ask('POST', 'api/store/empty') : null;
    }

    private function removeCut(): void
    {
        $cuts = $this->get('api/cuts')['cuts'] ?? [];
        count($cuts) < self::MAX_CUTS - 2 ?: $this->ask('DELETE', 'api/cuts/'.self::pick($cuts)['id']);
    }

    private function hashList(): void
    {
        $run = $this->run(fn (array $run): bool => $run['state'] === 'done');
        $run === null || $this->ask('POST', "api/packs/{$run['pack']}/hash-list");
    }

    /** @param  callable(array<string, mixed>): bool  $which */
    private function change(string $how, callable $which): void
    {
        $run = $this->run($which);
        $run === null || $this->ask('POST', "api/runs/{$run['id']}/{$how}");
    }

    private function clip(string $folder): ?string
    {
        $clip = Clips::make(self::pick(self::CLIPS));
        $path = sprintf('%s/Kiln Diary %d-%d.%s', $folder, $this->number, ++$this->made, pathinfo($clip, PATHINFO_EXTENSION));

        return is_dir("{$this->site->media}/watched") && @copy($clip, $path) ? $path : null;
    }

    private function cut(): ?int
    {
        $cuts = $this->get('api/cuts')['cuts'] ?? [];

        return $cuts === [] ? null : self::pick($cuts)['id'];
    }

    private function hasRoom(): bool
    {
        return count($this->get('api/cuts')['cuts'] ?? []) < self::MAX_CUTS;
    }

    private function isQueueShort(): bool
    {
        $waiting = array_filter($this->runs(), fn (array $run): bool => in_array($run['state'], ['waiting', 'running', 'checking'], true));

        return count($waiting) < self::MAX_QUEUE;
    }

    /** @return list<array<string, mixed>> */
    private function runs(): array
    {
        return $this->get('api/queue')['runs'] ?? [];
    }

    /**
     * @param  callable(array<string, mixed>): bool  $which
     * @return array<string, mixed>|null
     */
    private function run(callable $which): ?array
    {
        $found = array_values(array_filter($this->runs(), $which));

        return $found === [] ? null : self::pick($found);
    }

    /** @return array<mixed> */
    private function get(string $path): array
    {
        return $this->ask('GET', $path)[1];
    }

    /**
     * @param  array<mixed>|string|null  $body
     * @param  list<string>  $headers
     * @return array{int, array<mixed>, string}
     */
    private function ask(string $method, string $path, array|string|null $body = null, array $headers = []): array
    {
        return $this->client->ask($method, self::pick($this->site->machines)->address."/{$path}", $body, $headers);
    }

    /**
     * @template T
     *
     * @param  list<T>  $from
     * @return T
     */
    private static function pick(array $from): mixed
    {
        return $from[mt_rand(0, count($from) - 1)];
    }
}
