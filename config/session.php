<?php

return [
    // Minutes without a request after which one signs in again; an open page asks all the time.
    'lifetime' => (int) env('SESSION_LIFETIME', 60 * 24 * 7),
    'driver' => env('SESSION_DRIVER', 'file'),
    'expire_on_close' => false,
    'encrypt' => false,
    'files' => storage_path('framework/sessions'),
    'connection' => env('SESSION_CONNECTION'),
    'lottery' => [2, 100],
    'cookie' => 'outer_crate',
    'path' => '/',
    'domain' => null,
    // As the request: over TLS, the cookie goes over TLS alone.
    'secure' => null,
    'http_only' => true,
    'same_site' => 'strict',
    'partitioned' => false,
];
