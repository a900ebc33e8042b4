<?php

/* The requests of `bin/bench faults` alone: bin/bench requests [TIMES], 10,000 when left out */

require __DIR__.'/bench.php.inc';
require __DIR__.'/requests.php.inc';

reportMadeUp((int) ($argv[1] ?? 10_000), $scratch);
