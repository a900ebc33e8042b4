<?php

return [
    'default' => env('DB_CONNECTION', 'sqlite'),
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('outer-crate.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 5000,
            'journal_mode' => 'WAL',
            'synchronous' => 'NORMAL',
            // Writers take their lock when they begin, so that two of them wait for one another and neither fails halfway. Before
            // PHP 8.4 this is done by App\Database\WriteFirstConnection.
            'transaction_mode' => 'IMMEDIATE',
        ],
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'outer_crate'),
            'username' => env('DB_USERNAME', 'outer_crate'),
            'password' => env('DB_PASSWORD', ''),
            'sslmode' => env('DB_SSLMODE', 'prefer'),
            'charset' => 'utf8',
            'search_path' => 'public',
            // Seconds to a connection: a machine that is gone does not answer at all.
            'options' => [PDO::ATTR_TIMEOUT => 5],
        ],
    ],
    // Only where CRATE_WORK_CALLS, SESSION_DRIVER or CACHE_STORE say so.
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => 'outer_crate_'],
        'work' => [
            // Of the client's commands, the one that reads streams knows of no prefix.
            'prefix' => '',
            'url' => env('REDIS_URL', 'redis://127.0.0.1:6379'),
            'database' => '0',
            'timeout' => 2.0,
            // Seconds: longer than a worker waits for a call.
            'read_write_timeout' => 5.0,
        ],
        'default' => ['url' => env('REDIS_URL', 'redis://127.0.0.1:6379'), 'database' => '0', 'timeout' => 2.0],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
