<?php

return [
    'default' => env('CACHE_STORE', 'file'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'redis' => ['driver' => 'redis', 'connection' => 'default'],
        'file' => ['driver' => 'file', 'path' => env('CACHE_PATH', storage_path('framework/cache/data'))],
    ],
    'prefix' => 'outer_crate_',
];
