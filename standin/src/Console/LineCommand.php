<?php

namespace StandIn\Console;

use Illuminate\Console\Command;
use StandIn\Faults;
use StandIn\Line\Line;

class LineCommand extends Command
{
    protected $signature = 'standin:line {listen : ADDRESS:PORT that senders reach} {to : ADDRESS:PORT of the host behind it}';

    protected $description = 'Carry what senders say to the host, over a line that can be cut and slowed down';

    public function handle(): int
    {
        (new Line((string) $this->argument('listen'), (string) $this->argument('to'), Faults::lineFile()))->run();
    }
}
