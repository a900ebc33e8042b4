<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A folder whose files are brought in and packed by themselves.
 *
 * @property int $id
 * @property string $path
 * @property list<array{preset: string, host: ?string, edits: array<string, mixed>}> $outputs of each of its files
 */
class WatchFolder extends Model
{
    protected $guarded = [];

    protected $table = 'watch_folders';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['path' => KeptName::class, 'outputs' => 'array'];

    /** @return HasMany<WatchedFile, $this> */
    public function files(): HasMany
    {
        return $this->hasMany(WatchedFile::class);
    }
}
