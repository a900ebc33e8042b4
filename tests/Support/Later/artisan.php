<?php

/** `artisan` of a version with one more migration. */

use Symfony\Component\Console\Input\ArgvInput;
use Tests\Support\Later\LaterVersion;

require dirname(__DIR__, 3).'/vendor/autoload.php';

$app = require dirname(__DIR__, 3).'/bootstrap/app.php';
LaterVersion::in($app);
exit($app->handleCommand(new ArgvInput));
