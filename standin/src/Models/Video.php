<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;

/**
 * @property string $id
 * @property string $file as it arrived
 * @property int $bytes
 * @property string $sha256
 * @property string $state processing, ready or failed
 * @property ?string $reason why it failed
 * @property ?string $tier
 * @property string $visibility private, unlisted or public
 * @property ?Carbon $publish_at when it becomes public by itself
 * @property array<string, mixed> $details
 * @property ?string $thumbnail name of its picture
 * @property Account $account
 * @property Collection<int, Rendition> $renditions
 * @property Collection<int, Caption> $captions
 */
class Video extends Model
{
    use HasUuids;

    public const VISIBILITIES = ['private', 'unlisted', 'public'];

    protected $guarded = [];

    protected $attributes = ['state' => 'processing', 'visibility' => 'private', 'details' => '{}'];

    /** @var array<string, string> */
    protected $casts = ['details' => 'array', 'publish_at' => 'datetime', 'bytes' => 'integer'];

    /** @return BelongsTo<Account, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(Account::class);
    }

    /** @return HasMany<Rendition, $this> the smallest first */
    public function renditions(): HasMany
    {
        $renditions = $this->hasMany(Rendition::class);
        $renditions->orderBy('lines');

        return $renditions;
    }

    /** @return HasMany<Caption, $this> */
    public function captions(): HasMany
    {
        $captions = $this->hasMany(Caption::class);
        $captions->orderBy('language');

        return $captions;
    }

    public function folder(): string
    {
        return storage_path("videos/{$this->id}");
    }
}
