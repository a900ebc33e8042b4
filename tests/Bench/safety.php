<?php

/*
 * Measures safety in one run of about 100 minutes: an attack of 60 s, the cost of idle workers, 100 killed upgrades on each database, and
 * the soak. Root only.
 *
 * usage: bin/bench safety [SOAK-MINUTES [SEED]]      default: 60 minutes
 */

require dirname(__DIR__, 2).'/vendor/autoload.php';

use Symfony\Component\Process\Process;

$soak = [(string) (int) ($argv[1] ?? 60), ...array_slice($argv, 2, 1)];
$failed = [];
foreach (['attack' => ['60'], 'idle' => ['30'], 'upgrade' => ['100'], 'soak' => $soak] as $name => $arguments) {
    printf("\n── %s, begun %s\n", implode(' ', [$name, ...$arguments]), gmdate('j M Y, H:i:s').' UTC');
    $bench = new Process([PHP_BINARY, __DIR__."/{$name}.php", ...$arguments], timeout: null);
    $bench->run(fn (string $type, string $text) => print $text) === 0 || $failed[] = $name;
}
printf("\n── ended %s\n", gmdate('j M Y, H:i:s').' UTC');
if ($failed !== []) {
    fwrite(STDERR, 'Failed: '.implode(', ', $failed).".\n");
    exit(1);
}
