<?php

namespace App\Console;

use App\Dispatch\HostAccounts;
use App\Models\HostAccount;
use App\Resources\DispatchResource;

class AccountsCommand extends CrateCommand
{
    protected $signature = 'accounts
        {what? : list, sign-in, sign-out, forget or accept-terms; list when left out}
        {host? : Whose account}
        {name? : Which one}
        {--json : Print JSON}';

    protected $description = 'Accounts at hosts. The password is read from the terminal, or from CRATE_HOST_PASSWORD; it is kept nowhere';

    protected function perform(): int
    {
        $accounts = app(HostAccounts::class);
        $what = $this->argument('what') ?? 'list';
        [$host, $name] = [$this->argument('host'), $this->argument('name')];
        match (true) {
            $what === 'list' => null,
            $host === null || $name === null => throw new WrongUse("Say whose: bin/crate accounts {$what} HOST NAME."),
            $what === 'sign-in' => $accounts->signIn($host, $name, $this->password()),
            $what === 'sign-out' => $accounts->signOut($accounts->need($host, $name)),
            $what === 'forget' => $accounts->forget($accounts->need($host, $name)),
            $what === 'accept-terms' => $accounts->acceptTerms($accounts->need($host, $name)),
            default => throw new WrongUse("bin/crate accounts knows list, sign-in, sign-out, forget and accept-terms, not “{$what}”."),
        };
        $all = $accounts->all()->map(fn (HostAccount $one): array => DispatchResource::account($one))->all();
        if ($this->option('json')) {
            $this->json(['accounts' => $all]);

            return self::SUCCESS;
        }
        foreach ($all as $account) {
            $this->line(sprintf('%-14s %-20s %s', $account['host'], $account['name'], $account['signedIn'] ? 'signed in' : 'signed out'));
        }

        return self::SUCCESS;
    }

    private function password(): string
    {
        $given = getenv('CRATE_HOST_PASSWORD');

        return $given === false ? (string) $this->secret('Password') : $given;
    }
}
