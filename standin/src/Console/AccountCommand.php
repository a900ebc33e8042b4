<?php

namespace StandIn\Console;

use App\Library\ShippedHosts;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Hash;
use StandIn\Models\Account;

class AccountCommand extends Command
{
    protected $signature = 'standin:account {name} {password} {--host= : Of this host alone; of every host when left out}';

    protected $description = 'Make an account, or give it another password';

    public function handle(ShippedHosts $hosts): int
    {
        foreach ((array) ($this->option('host') ?? array_keys($hosts->items())) as $host) {
            Account::query()->updateOrCreate(
                ['host' => $host, 'name' => $this->argument('name')],
                ['password' => Hash::make((string) $this->argument('password'))],
            );
        }

        return self::SUCCESS;
    }
}
