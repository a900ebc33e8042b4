<?php

namespace App\Console;

use App\Models\Token;
use App\SignIn\Tokens;
use App\SignIn\Users;

class TokensCommand extends CrateCommand
{
    protected $signature = 'tokens
        {what? : list, add or remove; list when left out}
        {user? : Whose}
        {name? : What it is for}
        {--json : Print JSON}';

    protected $description = 'What scripts on other machines show in place of a password';

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
        $token = app(Tokens::class)->make($user, $name);
        if ($this->option('json')) {
            $this->json(['token' => $token]);
        } else {
            $this->line($token);
            fwrite(STDERR, "It is not told again. A script sends it in a header: Authorization: Bearer TOKEN\n");
        }

        return self::SUCCESS;
    }

    private function told(): int
    {
        $tokens = app(Tokens::class)->all();
        if ($this->option('json')) {
            $this->json(['tokens' => $tokens->toBase()->map(fn (Token $token): array => [
                'user' => $token->user->name, 'name' => $token->name, 'used' => $token->used_at,
            ])->all()]);

            return self::SUCCESS;
        }
        $tokens->each(fn (Token $token) => $this->line(sprintf(
            '%-20s %-24s %s',
            $token->user->name,
            $token->name,
            $token->used_at === null ? 'never used' : "used {$token->used_at->format('Y-m-d H:i')}",
        )));

        return self::SUCCESS;
    }
}
