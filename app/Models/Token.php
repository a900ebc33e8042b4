<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a script shows in place of a password.
 *
 * @property int $id
 * @property string $name what it is for
 * @property string $digest SHA-256 of the token, which is kept by whoever it was told
 * @property Role $role at most; never more than its user's
 * @property ?Carbon $expires_at
 * @property ?Carbon $used_at
 * @property User $user
 */
class Token extends Model
{
    protected $guarded = [];

    protected $table = 'tokens';

    protected $hidden = ['digest'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['used_at' => 'datetime', 'expires_at' => 'datetime', 'role' => Role::class];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
