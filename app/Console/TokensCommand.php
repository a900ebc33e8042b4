<?php

namespace App\Console;

use App\Configuration\DispatchSettings;
use App\Models\Role;
use App\Models\Token;
use App\SignIn\Tokens;
use App\SignIn\Users;
use Illuminate\Support\Carbon;

class TokensCommand extends CrateCommand
{
    protected $signature = 'tokens
        {what? : list, add or remove; list when left out}
        {user? : Whose}
        {name? : What it is for}
        {--role= : At most this role: owner, editor or viewer; the role of its user when left out}
        {--expires= : The day on which it stops working, as 2027-06-30; never when left out}
        {--json : Print JSON}';

    protected $description = 'Tokens that scripts send in place of a password';

    protected function perform(): int
    {
        $what = $this->argument('what') ?? 'list';
        if (! in_array($what, ['list', 'add', 'remove'], true)) {
            throw new WrongUse("bin/crate tokens does not know “{$what}”; it knows list, add and remove.");
        }
        if ($what === 'list') {
            return $this->told();
        }
        $name = $this->argument('name') ?? throw new WrongUse("Say whose and what for: bin/crate tokens {$what} USER NAME.");
        $user = app(Users::class)->named((string) $this->argument('user'));
        if ($what === 'remove') {
            app(Tokens::class)->remove($user, $name);

            return self::SUCCESS;
        }
        $token = app(Tokens::class)->make($user, $name, $this->role(), $this->expiry());
        if ($this->option('json')) {
            $this->json(['token' => $token]);
        } else {
            $this->line($token);
            fwrite(STDERR, "This token is shown only once. A script sends it in a header: Authorization: Bearer TOKEN\n");
        }

        return self::SUCCESS;
    }

    private function role(): ?Role
    {
        return $this->option('role') === null ? null : Users::role((string) $this->option('role'));
    }

    private function expiry(): ?Carbon
    {
        $day = $this->option('expires');
        if ($day === null) {
            return null;
        }
        $zone = app(DispatchSettings::class)->zone;

        return Carbon::hasFormat((string) $day, 'Y-m-d')
            ? Carbon::createFromFormat('Y-m-d', (string) $day, $zone)?->startOfDay()->utc()
            : throw new WrongUse('--expires takes a day, as in 2027-06-30.');
    }

    private function told(): int
    {
        $tokens = app(Tokens::class)->all();
        if ($this->option('json')) {
            $this->json(['tokens' => $tokens->toBase()->map(fn (Token $token): array => [
                'user' => $token->user->name, 'name' => $token->name, 'role' => $token->role, 'expires' => $token->expires_at,
                'used' => $token->used_at,
            ])->all()]);

            return self::SUCCESS;
        }
        $tokens->each(fn (Token $token) => $this->line(sprintf(
            '%-20s %-24s %-8s %-22s %s',
            $token->user->name,
            $token->name,
            $token->role->within($token->user->role)->value,
            match (true) {
                $token->expires_at === null => 'does not expire',
                $token->expires_at->isPast() => "expired {$token->expires_at->format('j M Y')}",
                default => "expires {$token->expires_at->format('j M Y')}",
            },
            $token->used_at === null ? 'never used' : "used {$token->used_at->format('j M Y, H:i')}",
        )));

        return self::SUCCESS;
    }
}
