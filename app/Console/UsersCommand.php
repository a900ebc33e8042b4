<?php

namespace App\Console;

use App\Models\Role;
use App\Models\User;
use App\SignIn\Users;

class UsersCommand extends CrateCommand
{
    protected $signature = 'users
        {what? : list, add, role, password or remove; list when left out}
        {name? : The user}
        {role? : owner, editor or viewer}
        {--role= : The role of a user who is added: owner for the first, then editor}
        {--json : Print JSON}';

    protected $description = 'Who may sign in, and what they may do';

    protected function perform(): int
    {
        $users = app(Users::class);
        $what = $this->argument('what') ?? 'list';
        $name = $this->argument('name');
        match (true) {
            $what === 'list' => null,
            ! in_array($what, ['add', 'role', 'password', 'remove'], true) => throw new WrongUse(
                "bin/crate users does not know “{$what}”; it knows list, add, role, password and remove.",
            ),
            $name === null => throw new WrongUse("Say who: bin/crate users {$what} NAME."),
            $what === 'add' => $users->add($name, $this->password(), $this->role('option')),
            $what === 'role' => $users->giveRole(
                $users->named($name), $this->role('argument') ?? throw new WrongUse("Say which role: bin/crate users role {$name} ROLE."),
            ),
            $what === 'password' => $users->change($users->named($name), $this->password()),
            $what === 'remove' => $users->remove($users->named($name)),
        };
        $all = $users->all();
        if ($this->option('json')) {
            $this->json(['users' => $all->toBase()->map(self::told(...))->all()]);

            return self::SUCCESS;
        }
        $all->isEmpty()
            ? $this->line('No users. Outer Crate opens on this machine only, without a sign-in.')
            : $all->each(fn (User $user) => $this->line(
                sprintf('%-20s %-8s since %s', $user->name, $user->role->value, $user->created_at->format('j M Y')),
            ));

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private static function told(User $user): array
    {
        return ['name' => $user->name, 'role' => $user->role, 'since' => $user->created_at, 'tokens' => $user->tokens->pluck('name')];
    }

    private function role(string $from): ?Role
    {
        $named = $from === 'option' ? $this->option('role') : $this->argument('role');

        return $named === null ? null : Users::role((string) $named);
    }

    /** Typed twice unseen, or the first line of what comes in. */
    private function password(): string
    {
        if (! stream_isatty(STDIN)) {
            return rtrim((string) fgets(STDIN), "\r\n");
        }
        $password = (string) $this->secret('Password');
        if ($password !== (string) $this->secret('Repeat the password')) {
            throw new WrongUse('The passwords differ. Nothing was changed.');
        }

        return $password;
    }
}
