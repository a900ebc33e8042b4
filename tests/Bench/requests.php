<?php

/* The requests of `bin/bench faults` alone: bin/bench requests [TIMES], default: 10,000 */

require __DIR__.'/bench.php.inc';
require __DIR__.'/requests.php.inc';

reportMadeUp((int) ($argv[1] ?? 10_000), $scratch);
