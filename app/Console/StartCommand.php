<?php

namespace App\Console;

use App\Configuration\AccessSettings;
use App\Database\DatabaseFault;
use App\Supervision\PageServer;
use App\Supervision\Roster;
use App\Supervision\ServiceDefinition;
use App\Supervision\StandInServices;
use App\Upkeep\Condition;
use App\Upkeep\Footing;
use App\Upkeep\StartRefused;
use App\Upkeep\Upgrade;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use OuterCrate\Refusals\Refused;
use PDOException;

/** The last step of bin/start: brings the database up to date, writes down which services there are, and becomes their guard. */
class StartCommand extends Command
{
    /** Groups of work (App\Work\WorkerGroup) by worker. */
    private const WORKERS = [
        'files-1' => 'files,tests',
        'files-2' => 'files',
        'samples' => 'samples',
        'sending' => 'sending',
    ];

    /** Workers run at lower priority than the pages, so that the pages answer first after a restart. */
    private const LOWER_PRIORITY = ['nice', '-n', '5'];

    protected $signature = 'crate:start
        {--port=8410} {--listen=127.0.0.1} {--fresh}
        {--pages-only : Leave the workers to others}
        {--demo= : Folder of the demo cuts}
        {--stand-in= : Port of the stand-in host}
        {--say=* : A line for the terminal once the pages are there}
        {--while-running=* : A file that is removed at the end}
        {--folder= : Where the services are noted}';

    protected $description = 'Serve the pages and work the queue';

    public function handle(Upgrade $upgrade): int
    {
        try {
            return $this->start($upgrade);
        } catch (Refused $e) {
            fwrite(STDERR, "{$e->getMessage()}\n");
        } catch (PDOException $e) {
            if (DatabaseFault::of($e) === null) {
                throw $e;
            }
            fwrite(STDERR, Condition::words(DB::connection(), $e)->getMessage()."\n");
        }

        return self::FAILURE;
    }

    private function start(Upgrade $upgrade): int
    {
        $address = trim((string) $this->option('listen'), '[]');
        $port = (int) $this->option('port');
        $folder = (string) $this->option('folder');
        $upgrade->run(fn (string $what) => $this->line("· {$what}"));
        if ($this->call('crate:may-listen', ['address' => $address]) !== self::SUCCESS) {
            return self::FAILURE;
        }
        Footing::check($address === 'localhost' ? '127.0.0.1' : $address, $port);
        $this->callSilent('crate:catch-up');
        if ($this->option('demo') !== null) {
            $this->call('crate:demo', ['folder' => $this->option('demo'), '--fresh' => (bool) $this->option('fresh')]);
        }
        $standIn = $this->option('stand-in') === null ? null : (int) $this->option('stand-in');
        $roster = new Roster($folder);
        $shown = str_contains($address, ':') ? "[{$address}]" : $address;
        $roster->define(
            [
                ...$this->pages($folder, "{$shown}:{$port}"),
                ...$this->option('pages-only') ? [] : $this->workers(),
                ...$standIn === null ? [] : StandInServices::at($standIn, base_path(), storage_path('standin')),
            ],
            match ($address) {
                '0.0.0.0', 'localhost' => '127.0.0.1',
                '::' => '[::1]',
                default => $shown,
            },
            $port,
            [
                ...(array) $this->option('say'),
                "Outer Crate is at http://{$shown}:{$port}   (Ctrl-C ends it)",
            ],
            'Outer Crate has ended. Interrupted runs resume at the next start.',
            array_map(base_path(...), (array) $this->option('while-running')),
        );
        pcntl_exec(PHP_BINARY, [base_path('bin/supervise'), 'guard', $folder]);
        $this->error('bin/supervise could not be started.');

        return self::FAILURE;
    }

    /** @return list<ServiceDefinition> */
    private function pages(string $folder, string $listen): array
    {
        // Each answer would read them anew otherwise. They hold what this start was given.
        $cached = ['APP_CONFIG_CACHE' => "{$folder}/config.php", 'APP_ROUTES_CACHE' => "{$folder}/routes.php"];
        foreach ($cached as $name => $file) {
            putenv("{$name}={$file}");
            $_ENV[$name] = $_SERVER[$name] = $file;
        }
        Artisan::call('config:cache');
        Artisan::call('route:cache');
        $listen = str_replace('localhost', '127.0.0.1', $listen);
        $server = new PageServer('pages', base_path(), public_path(), $folder, storage_path('logs'), [$listen], $this->trusted());

        return $server->prepare($cached);
    }

    /** @return list<string> */
    private function trusted(): array
    {
        $listed = app(AccessSettings::class)->trustedProxies;
        foreach ($listed as $one) {
            [$address, $bits] = explode('/', $one, 2) + [1 => '0'];
            if (@inet_pton($address) === false || preg_match('~^\d{1,3}$~', $bits) !== 1) {
                throw new StartRefused(
                    "CRATE_TRUSTED_PROXIES lists “{$one}”, which is no address.",
                    'Write addresses or networks, as in 192.0.2.10,10.1.0.0/16.',
                    'environment',
                );
            }
        }

        return $listed;
    }

    /** @return list<ServiceDefinition> */
    private function workers(): array
    {
        $php = ['PHP_INI_SCAN_DIR' => ':'.base_path('config/php/worker')];
        $log = storage_path('logs/worker.log');
        $services = [];
        foreach (self::WORKERS as $name => $groups) {
            $services[] = new ServiceDefinition(
                "worker {$name}", [...self::LOWER_PRIORITY, PHP_BINARY, 'artisan', 'crate:work', "--groups={$groups}", '--quiet'],
                base_path(), $log, $php, WorkCommand::ALL_DONE,
            );
        }
        $watch = [...self::LOWER_PRIORITY, PHP_BINARY, 'artisan', 'crate:watch', '--quiet'];
        $services[] = new ServiceDefinition('watch', $watch, base_path(), $log);

        return $services;
    }
}
