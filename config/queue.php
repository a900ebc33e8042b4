<?php

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => env('DB_CONNECTION', 'sqlite'),
            'table' => 'jobs',
            'queue' => 'default',
            // Longer than any run may take (crate.engine.limits.runs): a run is never handed out twice.
            'retry_after' => 60 * 60 * 49,
            'after_commit' => true,
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'sqlite'), 'table' => 'failed_jobs'],
];
