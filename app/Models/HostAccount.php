<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use OuterCrate\Dispatch\Takes;

/**
 * An account at a host. Its password is never kept; its token is sealed with the application's key. One that was forgotten is named by
 * what was sent with it, and by nothing else.
 *
 * @property int $id
 * @property string $host slug
 * @property string $name
 * @property string $connection how it is talked to: `open` or `folder`
 * @property string $address where its host is reached, or the folder
 * @property ?string $token
 * @property ?Carbon $expires_at
 * @property ?Carbon $forgotten_at
 * @property array<string, mixed> $takes as its host said when it was signed in last
 */
class HostAccount extends Model
{
    use SoftDeletes;

    public const DELETED_AT = 'forgotten_at';

    protected $guarded = [];

    protected $table = 'host_accounts';

    protected $hidden = ['token'];

    protected $attributes = ['takes' => '{}'];

    /** @var array<string, string> */
    protected $casts = ['token' => 'encrypted', 'takes' => 'array', 'expires_at' => 'datetime'];

    public function isSignedIn(): bool
    {
        return $this->connection === 'folder' || ($this->token !== null && ($this->expires_at === null || $this->expires_at->isFuture()));
    }

    public function takes(): Takes
    {
        return Takes::fromArray($this->takes);
    }
}
