<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * @property string $hash SHA-256 of the token
 * @property Carbon $expires_at
 * @property Account $account
 */
class Token extends Model
{
    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['expires_at' => 'datetime'];

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }
}
