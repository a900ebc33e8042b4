<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;

/**
 * Someone who may sign in.
 *
 * @property int $id
 * @property string $name
 * @property string $password hashed
 * @property Role $role
 * @property Collection<int, Token> $tokens
 * @property Carbon $created_at
 */
class User extends Authenticatable
{
    protected $guarded = [];

    protected $table = 'users';

    protected $hidden = ['password'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** Nobody is remembered beyond the session. */
    protected $rememberTokenName = '';

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed', 'role' => Role::class];

    /** @return HasMany<Token, $this> */
    public function tokens(): HasMany
    {
        return $this->hasMany(Token::class);
    }
}
