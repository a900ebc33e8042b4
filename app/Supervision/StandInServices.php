<?php

namespace App\Supervision;

/** What the stand-in host runs: the line that senders reach, the host behind it on the next port, and the making of its renditions. */
final class StandInServices
{
    /** @return list<ServiceDefinition> */
    public static function at(int $port, string $root, string $storage): array
    {
        $behind = '127.0.0.1:'.($port + 1);
        $environment = ['STANDIN_STORAGE' => $storage, 'STANDIN_URL' => "http://127.0.0.1:{$port}"];
        $service = fn (string $name, array $command, array $more = []): ServiceDefinition => new ServiceDefinition(
            "stand-in {$name}", [PHP_BINARY, ...$command], $root, "{$storage}/logs/{$name}.log", $environment + $more,
        );

        return [
            $service('host', ['-S', $behind, '-t', 'standin/public', 'standin/public/index.php'], [
                'PHP_CLI_SERVER_WORKERS' => '4',
            ]),
            $service('line', ['standin/artisan', 'standin:line', "127.0.0.1:{$port}", $behind]),
            $service('processing', ['standin/artisan', 'standin:process']),
        ];
    }
}
