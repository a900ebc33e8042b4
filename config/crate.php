<?php

// NAME=FOLDER, separated by colons, as in edits=/mnt/edits:tapes=/mnt/tapes: folders that several machines have, each where it likes.
$shared = [];
foreach (array_filter(explode(':', (string) env('CRATE_VOLUMES', ''))) as $volume) {
    [$name, $folder] = explode('=', $volume, 2) + [1 => ''];
    $shared[$name] = $folder;
}

// SLUG=ADDRESS, separated by spaces, as in lanternwick=https://api.example:8480 platen=/mnt/platen: where hosts are reached. A folder
// takes the files of a host that is served by hand, or by somebody else's program.
$reached = [];
// While bin/start runs a stand-in, its hosts are reached there, by bin/crate too.
$standIn = storage_path('standin/hosts-at');
$at = env('CRATE_HOSTS_AT') ?? (is_file($standIn) ? file_get_contents($standIn) : '');
foreach (preg_split('~\s+~', trim((string) $at), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $pair) {
    [$name, $address] = explode('=', $pair, 2) + [1 => ''];
    $reached[$name] = rtrim($address, '/');
}

return [
    /*
     * Folders that the pages may bring cuts in from, separated by colons. Files stay where they are and are only read.
     */
    'media_folders' => array_values(array_filter(explode(':', (string) env('CRATE_MEDIA_FOLDERS', storage_path('demo/media'))))),

    /* Where packed files go, one folder a cut. */
    'deliveries' => env('CRATE_DELIVERIES', storage_path('deliveries')),

    /* Where files that are sent from the browser arrive, and how long an unfinished one is kept, in days. */
    'uploads' => env('CRATE_UPLOADS', storage_path('uploads')),
    'uploads_kept' => 7,

    /*
     * Limits for reading a new file: seconds, bytes of memory, and pixels of a frame. A decoder keeps about twelve frames; at a hundred
     * million pixels they take two gigabytes. The largest cameras have 67 million.
     */
    'reading' => [
        'seconds' => (int) env('CRATE_READING_SECONDS', 60),
        'memory' => (int) env('CRATE_READING_MEMORY', 512 * 1024 ** 2),
        'pixels' => (int) env('CRATE_READING_PIXELS', 100_000_000),
    ],

    /* Copies of the database from before upgrades. */
    'backups' => env('CRATE_BACKUPS', storage_path('backups')),

    /* How long things are kept: days and gigabytes by kind (App\Settings\RetentionSetting). What is missing has no limit. */
    'retention' => [],

    /* Posters, proxies, exact frames and other things that can be made again. */
    'derived' => env('CRATE_DERIVED', storage_path('derived')),

    /* Without one of these a worker takes nothing in hand. */
    'shared' => array_values($shared),

    /* Folders by the names under which paths are kept; another machine may have them elsewhere. */
    'volumes' => [
        'deliveries' => env('CRATE_DELIVERIES', storage_path('deliveries')),
        'uploads' => env('CRATE_UPLOADS', storage_path('uploads')),
        'demo' => storage_path('demo/media'),
        ...$shared,
    ],

    /*
     * Whether people sign in on this machine as well, once there is a user; from elsewhere they always do. Behind a proxy that does not say
     * for whom it asks, everybody seems to be on this machine.
     */
    'sign_in_here' => (bool) env('CRATE_SIGN_IN_HERE', true),

    /*
     * Servers in front, by address or network and separated by commas, as in 192.0.2.10,10.1.0.0/16: what they say in X-Forwarded-For and
     * X-Forwarded-Proto counts. Nobody else is believed.
     */
    'trusted_proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('CRATE_TRUSTED_PROXIES', ''))))),

    'work' => [
        // How workers hear that there is something to do: `local`, or `redis` where they are on several machines.
        'calls' => env('CRATE_WORK_CALLS', 'local'),
        // What this machine is called among those that share the work; no two may be called the same.
        'machine' => env('CRATE_MACHINE') ?? gethostname(),
        // Seconds after which work whose owner gave no sign of life is taken over by another process.
        'lease' => (float) env('CRATE_WORK_LEASE', 30),
        // Seconds between checks of an empty queue without a call. Each check costs four workers some milliseconds.
        'idle' => (float) env('CRATE_WORK_IDLE', 30),
        // How many files are made at once: encoders use about four cores well.
        'at_once' => (int) env('CRATE_RUNS_AT_ONCE', 1),
        // Seconds that a part of a file takes at least, where several machines make it.
        'least_part' => (float) env('CRATE_LEAST_PART', 30),
        // And how many of them for each machine, at most.
        'parts_each' => (int) env('CRATE_PARTS_EACH', 1),
        // How often an owner may vanish over a piece of work before it is given up.
        'most_lost' => (int) env('CRATE_WORK_MOST_LOST', 3),
    ],

    /* Whether every finished file is listened to, for the loudness on its slip; one that was to have a loudness always is. */
    'listens' => (bool) env('CRATE_LISTENS', true),

    /* Whether every finished file is decoded to its end and held against the cut; otherwise its first and last second are. */
    'decodes' => (bool) env('CRATE_DECODES', true),

    /* Whether files of the same frames of a cut are made together, which are decoded once then. */
    'shares' => (bool) env('CRATE_SHARES', true),

    'presets' => base_path('presets'),
    'hosts' => base_path('hosts'),
    'devices' => base_path('devices'),

    'drives' => [
        // Seconds in which a drive answers before something is done on it: one that sleeps takes up to ten to wake.
        'patience' => (int) env('CRATE_DRIVES_PATIENCE', 20),
    ],

    'engine' => [
        'encoder' => env('CRATE_FFMPEG', 'ffmpeg'),
        'prober' => env('CRATE_FFPROBE', 'ffprobe'),
        // Seconds without any progress after which an engine counts as hanging: a slow filter can take a minute over one frame.
        'stall' => (int) env('CRATE_ENGINE_STALL', 300),
        // Where it is kept what the engine can do: the cache store.
        'known' => env('CRATE_ENGINE_KNOWN', 'file'),
        // seconds of the clock, bytes of memory, bytes of the largest file written, and how far it stands back
        'limits' => [
            'looks' => ['seconds' => 60, 'memory' => 4 * 1024 ** 3, 'file' => 256 * 1024 ** 2, 'niceness' => 5],
            'runs' => ['seconds' => 60 * 60 * 48, 'memory' => null, 'file' => null, 'niceness' => 10],
            'samples' => ['seconds' => 60 * 60, 'memory' => null, 'file' => null, 'niceness' => 15],
            'analysis' => ['seconds' => 60 * 60, 'memory' => 8 * 1024 ** 3, 'file' => 64 * 1024 ** 3, 'niceness' => 15],
        ],
    ],

    /* Seconds for which a file of a watch folder has to stay as it is until it is taken to be whole. */
    'watch' => ['settles' => (float) env('CRATE_WATCH_SETTLES', 5)],

    /* Seconds of a cut that are analysed at a time: what is lost when an analysis gives way to a run. */
    'segment' => 60,

    /* What transit tests keep of their steps, in bytes; beyond it the oldest goes. */
    'transit' => ['bytes' => (int) env('CRATE_TRANSIT_BYTES', 20_000_000_000)],

    /* What happens when all of the queue is done; the secret is set on the page of the settings, and sealed. */
    'end' => [
        'sound' => env('CRATE_END_SOUND', 'lamp'),
        'webhook' => env('CRATE_END_WEBHOOK'),
        // What it may reach although it is not on the internet: addresses or networks, separated by commas, as in 10.1.2.3,192.168.7.0/24.
        'webhook_allow' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('CRATE_WEBHOOK_ALLOW', ''))))),
        'secret' => null,
        // A program and its arguments, as a JSON list: it is run then, and reads what was made.
        'command' => json_decode((string) env('CRATE_END_COMMAND', '[]'), true) ?: [],
        // Whether the workers end then, and stay so until the next start.
        'quits' => (bool) env('CRATE_END_QUITS', false),
    ],

    'dispatch' => [
        // Where hosts are reached, by slug: nothing is ever sent anywhere else.
        'hosts' => $reached,
        // Bits a second that sending may take of the line, 0 for all of it; and the hours of the day in which it is sent, as
        // 22:00-06:30, empty for all of them. Until the person says otherwise.
        'bits_a_second' => 8 * (int) env('CRATE_SEND_BYTES', 0),
        'hours' => (string) env('CRATE_SEND_HOURS', ''),
        // How clocks stand here.
        'zone' => (string) env('CRATE_ZONE', '')
            ?: (is_readable('/etc/timezone') ? trim((string) file_get_contents('/etc/timezone')) : 'UTC'),
    ],

    /* Bits per second that the line sends, until the person says otherwise. */
    'line_speed' => 5_000_000,
];
