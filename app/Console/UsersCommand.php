<?php

namespace App\Console;

use App\Models\User;
use App\SignIn\Users;

class UsersCommand extends CrateCommand
{
    protected $signature = 'users
        {what? : list, add, password or remove; list when left out}
        {name? : The user}
        {--json : Print JSON}';

    protected $description = 'Who may open Outer Crate from other machines';

    protected function perform(): int
    {
        $users = app(Users::class);
        $what = $this->argument('what') ?? 'list';
        $name = $this->argument('name');
        match (true) {
            $what === 'list' => null,
            ! in_array($what, ['add', 'password', 'remove'], true) => throw new WrongUse(
                "bin/crate users does not know “{$what}”; it knows list, add, password and remove.",
            ),
            $name === null => throw new WrongUse("Say who: bin/crate users {$what} NAME."),
            $what === 'add' => $users->add($name, $this->password()),
            $what === 'password' => $users->change($users->named($name), $this->password()),
            $what === 'remove' => $users->remove($users->named($name)),
        };
        $all = $users->all();
        if ($this->option('json')) {
            $this->json(['users' => $all->toBase()->map(self::told(...))->all()]);

            return self::SUCCESS;
        }
        $all->isEmpty()
            ? $this->line('There are none: Outer Crate can be opened on this machine alone.')
            : $all->each(fn (User $user) => $this->line(sprintf('%-20s since %s', $user->name, $user->created_at->format('Y-m-d'))));

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private static function told(User $user): array
    {
        return ['name' => $user->name, 'since' => $user->created_at, 'tokens' => $user->tokens->pluck('name')];
    }

    /** Typed twice unseen, or the first line of what comes in. */
    private function password(): string
    {
        if (! stream_isatty(STDIN)) {
            return rtrim((string) fgets(STDIN), "\r\n");
        }
        $password = (string) $this->secret('Password');
        if ($password !== (string) $this->secret('The same again')) {
            throw new WrongUse('The two are not the same; nothing was changed.');
        }

        return $password;
    }
}
