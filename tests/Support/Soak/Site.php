<?php

namespace Tests\Support\Soak;

use Illuminate\Support\Facades\DB;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\Support\Services\Servers;
use Tests\Support\StandInHost;

/**
 * Two machines with one database, a disk of limited size, a removable drive and a stand-in host. With SQLite they share a database file.
 * With PostgreSQL and Redis they share servers, and each mounts the shared folder at another path.
 */
final class Site
{
    private const DISK = '1500m';

    private const DRIVE = '400m';

    /** @var list<Machine> */
    public readonly array $machines;

    public readonly ?Servers $servers;

    public readonly string $host;

    /** The folder of the cuts, on the removable drive. */
    public readonly string $media;

    public readonly string $disk;

    public function __construct(public readonly string $folder, public readonly bool $isPostgres)
    {
        $this->disk = "{$folder}/disk";
        $this->media = "{$folder}/media";
        foreach (['disk', 'drive', 'media', 'host/logs'] as $name) {
            mkdir("{$folder}/{$name}", 0o755, true);
        }
        self::run('mount', '-t', 'tmpfs', '-o', 'size='.self::DISK, 'soak-disk', $this->disk);
        self::run('mount', '-t', 'tmpfs', '-o', 'size='.self::DRIVE, 'soak-drive', "{$folder}/drive");
        self::run('mount', '--bind', "{$folder}/drive", $this->media);
        mkdir("{$this->media}/watched");
        foreach (['share/out', 'share/derived', 'share/uploads', 'database'] as $name) {
            mkdir("{$this->disk}/{$name}", 0o755, true);
        }
        $this->servers = $isPostgres ? new Servers($folder) : null;
        $this->servers?->beginPostgres();
        $this->servers?->beginRedis();
        [$north, $south, $line] = self::ports();
        $this->host = "http://127.0.0.1:{$line}";
        $surroundings = [];
        foreach (['north', 'south'] as $name) {
            symlink("{$this->disk}/share", "{$folder}/{$name}");
            // With SQLite, both names stand for one machine and share its storage folder.
            $storage = $this->storage($isPostgres ? $name : 'north');
            $surroundings[$name] = $this->surroundings($name, $storage);
        }
        symlink("{$folder}/host", $this->storage('north').'/standin');
        $this->machines = [
            new Machine('north', "{$this->disk}/served-north", $north, $surroundings['north'], ["--stand-in={$line}"],
                Clock::make($folder, 'north')),
            new Machine('south', "{$this->disk}/served-south", $south, $surroundings['south'], [], Clock::make($folder, 'south')),
        ];
    }

    /** Configures this process as a command on the first machine. */
    public function use(): void
    {
        $own = $this->surroundings('north', $this->storage('north'));
        $connection = $own['DB_CONNECTION'];
        $server = isset($own['DB_HOST']) ? ['host' => $own['DB_HOST'], 'username' => $own['DB_USERNAME']] : [];
        config([
            'database.default' => $connection, 'crate.work.machine' => 'north', 'crate.work.calls' => $own['CRATE_WORK_CALLS'] ?? 'local',
            'crate.deliveries' => $own['CRATE_DELIVERIES'], 'crate.derived' => $own['CRATE_DERIVED'],
            'crate.media_folders' => [$this->media],
            'crate.volumes' => [
                'deliveries' => $own['CRATE_DELIVERIES'], 'uploads' => $own['CRATE_UPLOADS'], 'share' => "{$this->folder}/north",
                'drive' => $this->media,
            ],
            "database.connections.{$connection}" => [
                ...config("database.connections.{$connection}"), 'database' => $own['DB_DATABASE'], ...$server,
            ],
        ]);
        DB::purge();
    }

    public function begin(): void
    {
        $host = ['STANDIN_STORAGE' => "{$this->folder}/host"];
        foreach ([['migrate', '--force', '--quiet'], ['standin:account', StandInHost::NAME, StandInHost::PASSWORD]] as $arguments) {
            (new Process(['php', 'standin/artisan', ...$arguments], base_path(), $host, timeout: 60))->mustRun();
        }
        foreach ($this->machines as $machine) {
            $machine->begin();
            $this->until(fn (): bool => $machine->answers(), "{$machine->name} does not begin", 120);
        }
    }

    public function end(): void
    {
        array_map(fn (Machine $machine) => $machine->end(), $this->machines);
        $this->servers?->endRedis();
        $this->servers?->endPostgres();
        foreach ([$this->media, "{$this->folder}/drive", $this->disk] as $mounted) {
            (new Process(['umount', '-l', $mounted]))->run();
        }
    }

    public function takeDriveAway(): void
    {
        self::run('umount', '-l', $this->media);
    }

    public function bringDriveBack(): void
    {
        self::run('mount', '--bind', "{$this->folder}/drive", $this->media);
    }

    /** Fills the disk completely. */
    public function fill(): void
    {
        $file = fopen("{$this->disk}/filled", 'w');
        while (@fwrite($file, str_repeat("\0", 1_048_576)) === 1_048_576) {
            continue;
        }
        while (@fwrite($file, str_repeat("\0", 4096)) === 4096) {
            continue;
        }
        fclose($file);
    }

    public function makeRoom(): void
    {
        @unlink("{$this->disk}/filled");
    }

    public function until(callable $holds, string $orElse, float $seconds): void
    {
        for ($end = hrtime(true) + 1e9 * $seconds; hrtime(true) < $end; usleep(100_000)) {
            if ($holds()) {
                return;
            }
        }
        throw new RuntimeException($orElse);
    }

    public function storage(string $machine): string
    {
        $storage = "{$this->disk}/storage-{$machine}";
        foreach (['logs', 'framework/cache/data', 'framework/views', 'framework/sessions', 'framework/calls'] as $name) {
            is_dir("{$storage}/{$name}") || mkdir("{$storage}/{$name}", 0o755, true);
        }

        return $storage;
    }

    /** @return array<string, string> */
    private function surroundings(string $machine, string $storage): array
    {
        $share = "{$this->folder}/{$machine}";

        return [
            'APP_ENV' => 'production', 'LARAVEL_STORAGE_PATH' => $storage, 'CRATE_MACHINE' => $machine,
            'CRATE_VOLUMES' => "share={$share}:drive={$this->media}", 'CRATE_MEDIA_FOLDERS' => $this->media,
            'CRATE_DELIVERIES' => "{$share}/out", 'CRATE_DERIVED' => "{$share}/derived", 'CRATE_UPLOADS' => "{$share}/uploads",
            'CRATE_HOSTS_AT' => "lanternwick={$this->host}", 'CRATE_RUNS_AT_ONCE' => '2', 'CRATE_WORK_LEASE' => '10',
            'CRATE_BACKUPS' => "{$storage}/backups", 'CRATE_WATCH_SETTLES' => '2', 'CRATE_LEAST_PART' => '1',
            'CACHE_PATH' => "{$storage}/framework/cache/data", 'STANDIN_STORAGE' => "{$this->folder}/host",
            ...$this->servers === null
                ? ['DB_CONNECTION' => 'sqlite', 'DB_DATABASE' => "{$this->disk}/database/outer-crate.sqlite"]
                : [...$this->servers->surroundings(), 'SESSION_DRIVER' => 'redis'],
        ];
    }

    /** @return array{int, int, int} ports of both machines, and one for the stand-in host, which also uses the next one */
    private static function ports(): array
    {
        do {
            $first = random_int(20_000, 50_000);
            $sockets = array_map(fn (int $i) => @stream_socket_server('tcp://127.0.0.1:'.($first + $i)), range(0, 3));
            $isFree = ! in_array(false, $sockets, true);
            array_map(fn ($socket) => $socket === false ?: fclose($socket), $sockets);
        } while (! $isFree);

        return [$first, $first + 1, $first + 2];
    }

    private static function run(string ...$command): void
    {
        (new Process(array_values($command), timeout: 30))->mustRun();
    }
}
