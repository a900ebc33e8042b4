<?php

// The engine and the tus server are the product's; where they keep things is the host's own.
return [
    'uploads' => storage_path('uploads'),
    'derived' => storage_path('derived'),
    'media_folders' => [],
    'volumes' => [],
] + require dirname(__DIR__, 2).'/config/crate.php';
