<?php

/* The requests of `bin/bench faults` alone: bin/bench requests [TIMES], default: 500; in full: 10000 */

require __DIR__.'/bench.php.inc';
require __DIR__.'/requests.php.inc';

reportMadeUp((int) ($argv[1] ?? 500), $scratch);
