<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A file that is being sent from the browser, or has arrived.
 *
 * @property string $id
 * @property string $name as the sender calls it
 * @property int $length in bytes
 * @property ?string $file where it lies, once it is whole
 * @property ?string $sha256
 * @property Carbon $expires_at
 */
class Upload extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected $table = 'uploads';

    /** @var array<string, string> */
    protected $casts = ['length' => 'integer', 'expires_at' => 'datetime'];
}
