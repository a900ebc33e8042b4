<?php

return [
    'default' => env('LOG_CHANNEL', 'single'),
    'deprecations' => ['channel' => null, 'trace' => false],
    'channels' => [
        'single' => ['driver' => 'single', 'path' => storage_path('logs/outer-crate.log'), 'level' => 'warning'],
        'quiet' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'stderr' => [
            'driver' => 'monolog',
            'handler' => Monolog\Handler\StreamHandler::class,
            'with' => ['stream' => 'php://stderr'],
            'level' => 'warning',
        ],
    ],
];
