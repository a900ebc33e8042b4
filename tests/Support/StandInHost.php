<?php

namespace Tests\Support;

use Illuminate\Support\Facades\Http;
use RuntimeException;
use Symfony\Component\Process\Process;

/** The stand-in host as a process of its own, which a test can end and begin again. */
final class StandInHost
{
    public const NAME = 'kiln-diary';

    public const PASSWORD = 'a made-up word 14';

    public readonly string $address;

    private readonly int $port;

    private ?Process $process = null;

    public function __construct(private readonly string $folder)
    {
        $this->port = self::freePort();
        $this->address = "http://127.0.0.1:{$this->port}";
    }

    public function begin(): void
    {
        $root = dirname(__DIR__, 2);
        $surroundings = ['STANDIN_STORAGE' => $this->folder, 'PATH' => getenv('PATH')];
        $this->process = new Process(['setsid', "{$root}/bin/standin", (string) $this->port], $root, $surroundings, null, null);
        $this->process->start();
        for ($i = 0; $i < 600; $i++) {
            if (@file_get_contents("{$this->address}/api/faults") !== false) {
                $account = ['php', "{$root}/standin/artisan", 'standin:account', self::NAME, self::PASSWORD];
                (new Process($account, $root, $surroundings))->mustRun();

                return;
            }
            usleep(100_000);
        }
        throw new RuntimeException('The stand-in host does not begin: '.$this->process->getErrorOutput());
    }

    /** As when its machine is switched off. */
    public function end(): void
    {
        $this->process?->stop(3, SIGTERM);
        $this->process = null;
    }

    /** @param  array<string, int|string>  $value */
    public function fault(string $name, array $value = []): void
    {
        // Over the line that it cuts: asked again where that is cut meanwhile.
        Http::retry(5, 100)->put("{$this->address}/api/faults/{$name}", $value === [] ? (object) [] : $value)->throw();
    }

    public function mend(string $name): void
    {
        Http::retry(5, 100)->delete("{$this->address}/api/faults/{$name}")->throw();
    }

    /** How often its line was cut. */
    public function cuts(): int
    {
        return strlen((string) @file_get_contents("{$this->folder}/line.json.cuts"));
    }

    /** What the host has, as it tells its account. */
    public function videos(string $host = 'lanternwick'): array
    {
        $token = Http::retry(5, 100)->post("{$this->address}/api/tokens", [
            'host' => $host, 'name' => self::NAME, 'password' => self::PASSWORD,
        ])->throw()->json('token');

        return Http::retry(5, 100)->withToken($token)->get("{$this->address}/api/videos")->throw()->json('videos');
    }

    /** Two ports in a row that nobody listens on. */
    private static function freePort(): int
    {
        do {
            $port = random_int(20_000, 50_000);
            $first = @stream_socket_server("tcp://127.0.0.1:{$port}");
            $second = @stream_socket_server('tcp://127.0.0.1:'.($port + 1));
            $isFree = $first !== false && $second !== false;
            $first === false ?: fclose($first);
            $second === false ?: fclose($second);
        } while (! $isFree);

        return $port;
    }
}
