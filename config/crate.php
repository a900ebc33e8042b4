<?php

return [
    /*
     * Folders that the pages may bring cuts in from, separated by colons. Files stay where they are and are only read.
     */
    'media_folders' => array_values(array_filter(explode(':', (string) env('CRATE_MEDIA_FOLDERS', storage_path('demo/media'))))),

    /* Where packed files go, one folder a cut. */
    'deliveries' => env('CRATE_DELIVERIES', storage_path('deliveries')),

    /* Poster pictures and other things that can be made again. */
    'derived' => env('CRATE_DERIVED', storage_path('derived')),

    'presets' => base_path('presets'),
    'hosts' => base_path('hosts'),

    'engine' => [
        'encoder' => env('CRATE_FFMPEG', 'ffmpeg'),
        'prober' => env('CRATE_FFPROBE', 'ffprobe'),
        'niceness' => 10,
        'time_limit' => 60 * 60 * 48, // seconds for one pass
        'probe_limit' => 60, // seconds for a look at a file
    ],

    /* Bits per second that the line sends, until the person says otherwise. */
    'line_speed' => 5_000_000,
];
