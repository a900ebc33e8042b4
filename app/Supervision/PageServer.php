<?php

namespace App\Supervision;

/** nginx and PHP-FPM for the pages: how they start, and their configuration, which shares `deploy/` with servers set up by hand. */
final readonly class PageServer
{
    /** Bytes of the path of a socket at most (unix(7), sun_path), with its end. */
    private const MAX_SOCKET_PATH = 107;

    /**
     * @param  string  $root  the project's folder
     * @param  string  $public  the folder with the index.php
     * @param  string  $folder  where configuration, socket and unfinished bodies lie
     * @param  string  $logs  folder of the logs
     * @param  list<string>  $listen  address and port, as in 127.0.0.1:8410
     * @param  list<string>  $trustedProxies  addresses and networks that may name the visitor for whom they ask
     */
    public function __construct(
        private string $name,
        private string $root,
        private string $public,
        private string $folder,
        private string $logs,
        private array $listen,
        private array $trustedProxies = [],
    ) {
    }

    /**
     * Writes the configuration.
     *
     * @param  array<string, string>  $environment  of the processes that answer
     * @return list<ServiceDefinition>
     */
    public function prepare(array $environment): array
    {
        file_put_contents($this->file('nginx.conf'), $this->nginx());
        file_put_contents($this->file('php-fpm.conf'), $this->fpm());
        // A restarted server reuses the compiled scripts and answers in half the time.
        $scripts = (string) ini_get('opcache.file_cache') ?: $this->file('scripts');
        foreach (['scripts', 'body', 'fastcgi', 'proxy', 'uwsgi', 'scgi'] as $temporary) {
            is_dir($this->file($temporary)) || @mkdir($this->file($temporary), 0o700);
        }
        $log = fn (string $program): string => "{$this->logs}/{$program}.log";
        $asRoot = posix_geteuid() === 0 ? ['--allow-to-run-as-root'] : [];

        return [
            new ServiceDefinition(
                "{$this->name} php-fpm",
                [
                    self::program('php-fpm8.2'), '-d', "opcache.file_cache={$scripts}", '-d', 'opcache.file_cache_only=0',
                    // Scripts change only with an upgrade, which restarts PHP-FPM.
                    '-d', 'opcache.revalidate_freq=60',
                    '--nodaemonize', ...$asRoot, '--fpm-config', $this->file('php-fpm.conf'),
                ],
                $this->root, $log('php-fpm'), $environment,
            ),
            new ServiceDefinition(
                "{$this->name} nginx",
                [self::program('nginx'), '-p', $this->folder.'/', '-c', $this->file('nginx.conf'), '-e', 'stderr'],
                $this->root, $log('nginx'),
            ),
        ];
    }

    private function nginx(): string
    {
        $user = posix_geteuid() === 0 ? "user root;\n" : '';
        $listen = implode('', array_map(fn (string $one): string => "        listen {$one};\n", $this->listen));
        $trusted = implode('', array_map(fn (string $one): string => "    set_real_ip_from {$one};\n", $this->trustedProxies));
        $real = $trusted === '' ? '' : "{$trusted}    real_ip_header X-Forwarded-For;\n    real_ip_recursive on;\n";
        $public = self::quoted($this->public);
        $deploy = "{$this->root}/deploy/nginx";
        $q = self::quoted(...);

        return <<<CONF
            # Written by bin/start.
            daemon off;
            {$user}worker_processes 1;
            pid nginx.pid;
            error_log stderr error;
            events {
                worker_connections 4096;
            }
            http {
                access_log off;
                include /etc/nginx/mime.types;
                default_type application/octet-stream;
                sendfile on;
                client_body_temp_path body;
                fastcgi_temp_path fastcgi;
                proxy_temp_path proxy;
                uwsgi_temp_path uwsgi;
                scgi_temp_path scgi;
                include {$q("{$deploy}/limits.conf")};
            {$real}    upstream outer_crate {
                    server {$q('unix:'.$this->socket())};
                }
                server {
            {$listen}        root {$q($this->public)};
                    include {$q("{$deploy}/pages.conf")};
                }
            }

            CONF;
    }

    private function fpm(): string
    {
        return <<<CONF
            ; Written by bin/start.
            [global]
            error_log = /dev/stderr
            log_limit = 8192
            daemonize = no
            [{$this->name}]
            listen = {$this->socket()}
            listen.mode = 0600
            clear_env = no
            include = {$this->root}/deploy/php-fpm/pool.conf

            CONF;
    }

    private function socket(): string
    {
        $socket = $this->file('php-fpm.sock');
        if (strlen($socket) <= self::MAX_SOCKET_PATH) {
            return $socket;
        }
        $short = sys_get_temp_dir().'/outer-crate-'.posix_geteuid().'-'.substr(hash('sha256', $this->folder), 0, 12);
        is_dir($short) || mkdir($short, 0o700);
        chmod($short, 0o700);

        return "{$short}/php-fpm.sock";
    }

    private function file(string $name): string
    {
        return "{$this->folder}/{$name}";
    }

    private static function quoted(string $text): string
    {
        return '"'.addcslashes($text, '"\\').'"';
    }

    /** Debian keeps servers where only root looks for programs. */
    private static function program(string $name): string
    {
        foreach (['/usr/sbin', '/usr/local/sbin', '/usr/bin'] as $folder) {
            if (is_executable("{$folder}/{$name}")) {
                return "{$folder}/{$name}";
            }
        }

        return $name;
    }
}
