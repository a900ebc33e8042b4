<?php

namespace App\SignIn;

use App\Models\Role;
use App\Models\Token;
use App\Models\User;
use Carbon\CarbonInterface;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;

/** What scripts on other machines show in place of a password. They are told once, and kept here as digests. */
final class Tokens
{
    private const PREFIX = 'crate_';

    /** Seconds between notes of when one was used. */
    private const NOTES = 60;

    private const NAME = '~^[^\p{C}]{1,64}$~u';

    /** @return Collection<int, Token> */
    public function all(): Collection
    {
        return Token::query()->with('user')->orderBy('user_id')->orderBy('name')->get();
    }

    /** @return string the token, which is not told again */
    public function make(User $user, string $name, ?Role $role = null, ?CarbonInterface $expires = null): string
    {
        if ($expires !== null && $expires->isPast()) {
            throw SignInRefused::notSo('This token would have expired already.', 'Give a date to come, as in --expires=2027-06-30.');
        }
        if (preg_match(self::NAME, $name) !== 1) {
            throw SignInRefused::notSo('A token has a name, 64 characters at most.', 'Say what it is for: bin/crate tokens add USER NAME.');
        }
        $token = self::PREFIX.bin2hex(random_bytes(32));
        try {
            $user->tokens()->create([
                'name' => $name, 'digest' => self::digest($token), 'role' => $role ?? $user->role, 'expires_at' => $expires,
            ]);
        } catch (UniqueConstraintViolationException) {
            throw SignInRefused::notSo("{$user->name} has a token {$name} already.", 'Take another name, or remove that one first.');
        }

        return $token;
    }

    public function remove(User $user, string $name): void
    {
        if ($user->tokens()->where('name', $name)->delete() === 0) {
            throw SignInRefused::notSo("{$user->name} has no token {$name}.", 'bin/crate tokens lists them.');
        }
    }

    /** The token that was shown, with its user; null where there is none, or where it has expired. */
    public function find(string $token): ?Token
    {
        $known = Token::query()->with('user')->firstWhere('digest', self::digest($token));
        if ($known === null || $known->expires_at?->isPast()) {
            return null;
        }
        if ($known->used_at === null || $known->used_at->diffInSeconds(now()) >= self::NOTES) {
            $known->update(['used_at' => now()]);
        }

        return $known;
    }

    private static function digest(string $token): string
    {
        return hash('sha256', $token);
    }
}
