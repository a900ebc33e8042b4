<?php

use App\Engine\EndsWithParent;
use App\Supervision\ProcessId;
use App\Supervision\Roster;
use App\Supervision\Service;
use App\Supervision\ServiceDefinition;
use Symfony\Component\Process\Process;
use Tests\Support\TestDatabase;

/*
 * bin/start as a person has it, on a scratch database: the pages answer again whichever of its processes is killed, and nothing of the old
 * ones stays. How long that takes is printed by `bin/bench attack`; here a busy machine gets time.
 */

const SECONDS_TO_RECOVER = 30;

/** @return array{Process, int, Roster} */
function started(string $folder): array
{
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $port = (int) substr(strrchr(stream_socket_get_name($socket, false), ':'), 1);
    fclose($socket);
    $environment = [
        ...TestDatabase::another($folder), 'APP_ENV' => 'production', 'CRATE_MEDIA_FOLDERS' => "{$folder}/media",
        'CRATE_DELIVERIES' => "{$folder}/out", 'CRATE_DERIVED' => "{$folder}/derived", 'CRATE_UPLOADS' => "{$folder}/uploads",
    ];
    $start = new Process(['bin/start', '--no-demo', '--port', (string) $port], base_path(), $environment, null, null);
    $start->start();
    eventually(fn (): bool => str_contains($start->getOutput(), 'Outer Crate is at') || ! $start->isRunning());
    expect($start->isRunning())->toBeTrue($start->getErrorOutput());

    return [$start, $port, new Roster(base_path("storage/framework/served/{$port}"))];
}

function eventually(Closure $holds): bool
{
    for ($until = microtime(true) + SECONDS_TO_RECOVER; microtime(true) < $until; usleep(50_000)) {
        if ($holds()) {
            return true;
        }
    }

    return false;
}

/** @return array<string, list<ProcessId>> every process of the installation, by who started it */
function processesOf(Roster $roster): array
{
    $all = ['guard' => [$roster->noted(Roster::GUARD)], 'supervisor' => [$roster->noted(Roster::SUPERVISOR)]];
    foreach ($roster->running() as $name => $leader) {
        $members = $leader->session();
        sort($members);
        $all[$name] = array_values(array_filter(array_map(ProcessId::of(...), $members)));
    }

    return $all;
}

function isServed(int $port): bool
{
    return @file_get_contents("http://127.0.0.1:{$port}/api/uploads") === '{"uploads":[]}';
}

it('serves again whichever of its processes is killed, and leaves none of the old ones behind', function () {
    [$start, $port, $roster] = started(dirname($this->folder('derived')));
    try {
        $names = array_keys(processesOf($roster));
        expect($names)->toContain('pages nginx', 'pages php-fpm', 'worker files-1', 'watch')->and(isServed($port))->toBeTrue();
        foreach ($names as $name) {
            // The first and the last of its processes: the parent, and one that a parent left alone would leave behind.
            foreach (['array_key_first', 'array_key_last'] as $which) {
                $before = processesOf($roster);
                $killed = $before[$name][$which($before[$name])];
                posix_kill($killed->number, SIGKILL);
                $isLeader = $killed->number === $before[$name][0]->number;
                $old = match (true) {
                    $name === 'supervisor' => array_merge(...array_values(array_diff_key($before, ['guard' => true]))),
                    $isLeader => $before[$name],
                    default => [$killed],
                };
                $left = fn (): array => array_filter($old, fn (ProcessId $one): bool => $one->isAlive());
                $isWhole = fn (): bool => array_keys(processesOf($roster)) === $names
                    && array_filter(processesOf($roster), fn (array $of): bool => ! ($of[0] ?? null)?->isAlive()) === [];
                expect(eventually(fn (): bool => $left() === [] && isServed($port) && $isWhole()))
                    ->toBeTrue("{$name} was killed: ".implode(', ', array_map('strval', $left())).' is left');
            }
        }
    } finally {
        (new Process([base_path('bin/supervise'), 'stop', $roster->folder]))->run();
        $start->stop(0);
    }
    expect(isServed($port))->toBeFalse()->and($roster->exists())->toBeFalse();
});

it('ends with everything that it started, and says on a second start that it is running', function () {
    [$start, $port, $roster] = started(dirname($this->folder('derived')));
    $again = new Process(['bin/start', '--no-demo', '--port', (string) $port], base_path());
    $again->run();
    $all = array_merge(...array_values(processesOf($roster)));
    posix_kill($start->getPid(), SIGINT);
    $start->wait();
    expect($again->getExitCode())->toBe(1)
        ->and($again->getErrorOutput())->toContain("already running on port {$port}", '--stop')
        ->and($start->getExitCode())->toBe(0)
        ->and($start->getOutput())->toContain('Outer Crate has ended.')
        ->and(array_filter($all, fn (ProcessId $one): bool => $one->isAlive()))->toBe([]);
});

it('starts a service again unless it ends with the status that says it is done', function () {
    $log = $this->folder('log');
    $service = fn (string $script): Service => new Service(
        new ServiceDefinition('one', ['sh', '-c', $script], $this->folder, $log, lastStatus: 86),
    );
    $starts = fn (): int => is_file($log) ? substr_count((string) file_get_contents($log), 'started') : 0;
    $killed = $service('echo started; kill -KILL $$');
    expect(eventually(function () use ($killed, $starts): bool {
        $killed->look();

        return $starts() >= 3;
    }))->toBeTrue();
    unlink($log);
    $done = $service('echo started; exit 86');
    for ($i = 0; $i < 20; $i++) {
        $done->look();
        usleep(50_000);
    }
    expect($starts())->toBe(1)->and($done->process())->toBeNull();
});

it('ends what a killed service left behind before it starts it again', function () {
    $service = new Service(new ServiceDefinition('one', ['sh', '-c', 'sleep 600 & wait'], $this->folder, $this->folder('log')));
    $service->look();
    $first = $service->process();
    eventually(fn (): bool => count($first->session()) === 2);
    $left = ProcessId::of(max($first->session()));
    $first->signal(SIGKILL);
    eventually(function () use ($service, $first): bool {
        $service->look();

        return $service->process() !== null && $service->process()->number !== $first->number;
    });
    expect($left->isAlive())->toBeFalse();
    $service->process()->killSession();
});

it('takes no later process with the same number for the one it noted', function () {
    $own = ProcessId::of((int) getmypid());
    $earlier = ProcessId::fromText("{$own->number} 1");
    expect($own->isAlive())->toBeTrue()->and($earlier->isAlive())->toBeFalse()->and($earlier->session())->toBe([]);
});

it('starts no engine whose parent died while starting it', function () {
    $file = $this->folder('started');
    (new Process([...EndsWithParent::command('KILL'), 'touch', $file]))->mustRun();
    expect(unlink($file))->toBeTrue();

    // As a child of setsid it has another parent.
    $status = (new Process(['setsid', '--fork', '--wait', ...EndsWithParent::command('KILL'), 'touch', $file]))->run();
    expect($status)->toBe(125)->and(file_exists($file))->toBeFalse();
});

it('notes what runs on a full disk too, so that the services outlive it', function () {
    $folder = $this->folder('roster');
    mkdir($folder);
    $roster = new Roster($folder);
    $roster->define([], '127.0.0.1', 8410);
    $own = ProcessId::of((int) getmypid());
    // A folder with the name of the temporary file makes writing it fail.
    foreach ([Roster::GUARD, 'running'] as $name) {
        mkdir("{$folder}/{$name}.".getmypid());
    }
    $roster->note(Roster::GUARD, $own);
    $roster->noteRunning(['a service with a long name' => $own, 'another' => $own]);
    $roster->noteRunning(['one' => $own]);
    expect($roster->noted(Roster::GUARD))->toEqual($own)->and(array_keys($roster->running()))->toBe(['one']);
});
