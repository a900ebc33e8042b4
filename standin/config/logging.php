<?php

return [
    'default' => 'single',
    'channels' => ['single' => ['driver' => 'single', 'path' => storage_path('logs/host.log'), 'level' => 'warning']],
];
