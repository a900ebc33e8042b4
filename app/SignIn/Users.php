<?php

namespace App\SignIn;

use App\Models\Role;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/** Who may sign in. */
final class Users
{
    /** Characters of a password, and bytes: what is beyond them the hash leaves out (bcrypt). */
    private const LEAST = 12;

    private const MOST_BYTES = 72;

    private const NAME = '~^[\p{L}\p{N}][\p{L}\p{N}._ -]{0,62}[\p{L}\p{N}]$|^[\p{L}\p{N}]$~u';

    public static function any(): bool
    {
        // Runs with every request, and booting a model takes longer than the query.
        return DB::table('users')->exists();
    }

    /** @return Collection<int, User> */
    public function all(): Collection
    {
        return User::query()->with('tokens')->orderBy('name')->get();
    }

    /** @throws SignInRefused */
    public function add(string $name, string $password, ?Role $role = null): User
    {
        if (preg_match(self::NAME, $name) !== 1) {
            throw SignInRefused::notSo(
                'This cannot be a name.',
                'Take letters, digits, dots, hyphens and blanks, 64 at most; a letter or digit first and last.',
            );
        }
        self::hold($password);
        try {
            return User::query()->create([
                // The first user must be able to change the settings.
                'name' => $name, 'password' => $password, 'role' => $role ?? (self::any() ? Role::Editor : Role::Owner),
            ]);
        } catch (UniqueConstraintViolationException) {
            throw SignInRefused::notSo("There is a user {$name} already.", "For another password: bin/crate users password {$name}.");
        }
    }

    /** Ends the sessions that were begun with the old one. */
    public function change(User $user, string $password): void
    {
        self::hold($password);
        $user->update(['password' => $password]);
    }

    /** @throws SignInRefused when no owner would be left */
    public function giveRole(User $user, Role $role): void
    {
        self::keepOwner($user, $role);
        $user->update(['role' => $role]);
    }

    /**
     * Ends the user's sessions and tokens as well.
     *
     * @throws SignInRefused when others would be left without an owner
     */
    public function remove(User $user): void
    {
        if (User::query()->count() > 1) {
            self::keepOwner($user, null);
        }
        $user->delete();
    }

    /** @throws SignInRefused */
    public function named(string $name): User
    {
        return User::query()->firstWhere('name', $name)
            ?? throw SignInRefused::notSo("There is no user {$name}.", 'bin/crate users lists them.');
    }

    /** @throws SignInRefused */
    public static function role(string $name): Role
    {
        return Role::tryFrom($name) ?? throw SignInRefused::notSo("There is no role “{$name}”.", 'Choose owner, editor or viewer.');
    }

    private static function keepOwner(User $user, ?Role $role): void
    {
        if ($role !== Role::Owner && User::query()->where('role', Role::Owner)->whereKeyNot($user->id)->doesntExist()) {
            $todo = 'Make another user an owner first: bin/crate users role NAME owner.';
            throw SignInRefused::notSo("{$user->name} is the only owner.", $todo);
        }
    }

    private static function hold(string $password): void
    {
        if (mb_strlen($password) < self::LEAST || strlen($password) > self::MOST_BYTES) {
            throw SignInRefused::notSo(
                'This password is too short or too long.',
                sprintf('Take %d characters or more, and no more than %d bytes.', self::LEAST, self::MOST_BYTES),
            );
        }
    }
}
