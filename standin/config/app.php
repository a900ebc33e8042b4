<?php

return [
    'name' => 'Stand-in host',
    'env' => 'production',
    'debug' => false,
    'url' => getenv('STANDIN_URL') ?: 'http://127.0.0.1:8480',
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'key' => null,
    'cipher' => 'AES-256-CBC',
];
