<?php

namespace Tests\Support\Services;

use RuntimeException;
use Symfony\Component\Process\Process;

/** nginx and PHP-FPM with the files that we give (`deploy/`), at a port of this machine and without a certificate. */
final class Pages
{
    public readonly string $address;

    /** @var list<Process> */
    private array $processes = [];

    /** @param  array<string, string>  $surroundings */
    public function __construct(private readonly string $folder, array $surroundings)
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $name = stream_socket_get_name($socket, false);
        fclose($socket);
        $this->address = "http://{$name}";
        $own = [
            '/opt/outer-crate' => base_path(), '/run/php/outer-crate.sock' => "{$folder}/fpm.sock", 'listen 443 ssl' => "listen {$name}",
            'listen 80' => "listen unix:{$folder}/other.sock",
        ];
        $user = posix_getpwuid(posix_geteuid())['name'];
        $lines = fn (string $file, string $left): array => preg_grep($left, explode("\n", strtr(
            (string) file_get_contents(base_path("deploy/{$file}")),
            $own,
        )), PREG_GREP_INVERT);
        $pool = implode("\n", $lines('php-fpm.conf', '~^(user|group|listen\.\w+) =~'));
        foreach ($surroundings as $key => $value) {
            $pool .= "\nenv[{$key}] = \"{$value}\"";
        }
        $all = "[global]\nerror_log = {$folder}/fpm.log\ndaemonize = no\n";
        file_put_contents("{$folder}/fpm.conf", "{$all}{$pool}\nuser = {$user}\ngroup = {$user}\n");
        $site = implode("\n", $lines('nginx.conf', '~ssl_certificate~'));
        file_put_contents(
            "{$folder}/nginx.conf",
            "daemon off;\npid {$folder}/nginx.pid;\nuser {$user};\nerror_log {$folder}/nginx.log;\nevents {}\n".
                "http {\n include /etc/nginx/mime.types;\n access_log off;\n client_body_temp_path {$folder}/body;\n".
                " fastcgi_temp_path {$folder}/fastcgi;\n{$site}\n}\n",
        );
    }

    public function begin(): void
    {
        $asRoot = posix_geteuid() === 0 ? ['--allow-to-run-as-root'] : [];
        $commands = [
            ['php-fpm8.2', '--nodaemonize', '--fpm-config', "{$this->folder}/fpm.conf", ...$asRoot],
            ['nginx', '-c', "{$this->folder}/nginx.conf", '-e', "{$this->folder}/nginx.log", '-p', $this->folder],
        ];
        foreach ($commands as $command) {
            $this->processes[] = $process = new Process($command, timeout: null);
            $process->start();
        }
        for ($until = microtime(true) + 120; microtime(true) < $until; usleep(50_000)) {
            if (file_exists("{$this->folder}/fpm.sock") && @stream_socket_client(str_replace('http:', 'tcp:', $this->address)) !== false) {
                return;
            }
        }
        throw new RuntimeException('The pages do not begin: '.implode("\n", array_map(
            fn (Process $process): string => $process->getErrorOutput(),
            $this->processes,
        )));
    }

    public function end(): void
    {
        array_map(fn (Process $process) => $process->stop(5, SIGKILL), $this->processes);
    }

    /**
     * @param  list<string>  $arguments  of curl(1)
     * @return array{int, string} status and body
     */
    public function ask(string $path, array $arguments = []): array
    {
        $process = new Process(['curl', '-s', '-w', "\n%{http_code}", ...$arguments, $this->address.$path], timeout: 60);
        $process->run();
        $end = (int) strrpos($process->getOutput(), "\n");

        return [(int) substr($process->getOutput(), $end + 1), substr($process->getOutput(), 0, $end)];
    }
}
