<?php

namespace App\Console;

use App\SignIn\OwnMachine;
use App\SignIn\Users;
use Illuminate\Console\Command;

class MayListenCommand extends Command
{
    protected $signature = 'crate:may-listen {address}';

    protected $description = 'Whether the pages may be served at an address: beyond this machine only where somebody can sign in';

    public function handle(): int
    {
        $address = (string) $this->argument('address');
        if ($address !== 'localhost' && @inet_pton(trim($address, '[]')) === false) {
            fwrite(STDERR, "“{$address}” is no address. Take one of this machine, such as 192.0.2.7, or 0.0.0.0 for all of them.\n");

            return self::FAILURE;
        }
        if (! OwnMachine::isAddress($address) && ! Users::any()) {
            fwrite(STDERR, "Beyond this machine one signs in, and nobody could: add a user first.\n  bin/crate users add NAME\n");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
