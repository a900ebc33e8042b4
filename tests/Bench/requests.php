<?php

/* usage: bin/bench requests [TIMES]      10,000 when left out */

require __DIR__.'/bench.php.inc';
require __DIR__.'/requests.inc.php';

$times = (int) ($argv[1] ?? 10_000);
[$broken, $statuses] = sendMadeUp($times, $scratch);
figure("Of {$times} requests made up from the schemas, answered with 500", (string) ($statuses[500] ?? 0), 'none');
$counts = array_map(fn (int $status, int $count): string => "{$status}: {$count}", array_keys($statuses), $statuses);
echo '  by status: ', implode(', ', $counts), "\n";
foreach ($broken as $request) {
    echo "  {$request}\n";
}
