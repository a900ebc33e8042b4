<?php

namespace App\Models;

use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Stage;

/**
 * A file on its way to a host, held there, and released.
 *
 * @property int $id
 * @property string $key under which its host knows it: asked twice, it makes one video
 * @property ?int $run_id
 * @property ?int $in_place_of an earlier one, which is removed from the host once this one is released
 * @property string $cut_name
 * @property string $file
 * @property int $bytes
 * @property ?string $sha256
 * @property Stage $stage
 * @property ?string $problem what went wrong last, or what it waits for
 * @property ?string $place where its bytes go at its host
 * @property int $sent bytes that its host has
 * @property float $seconds that its bytes took so far
 * @property int $restarts how often it had to begin again from its first byte
 * @property int $failures in a row
 * @property ?string $remote_id
 * @property ?array<string, mixed> $remote
 * @property array<string, mixed> $details
 * @property array<string, string> $captions WebVTT by language
 * @property ?string $thumbnail path of a picture
 * @property string $visibility that it arrives with: private or unlisted
 * @property ?string $release `ready` or `at`; null where nothing was said
 * @property ?Carbon $release_at
 * @property ?Carbon $not_before
 * @property ?Carbon $arrived_at
 * @property ?Carbon $released_at
 * @property ?list<string> $came_back files that its host made of it, the smallest first
 * @property ?int $teaching_id of its host, by those
 * @property list<array{at: string, text: string}> $record
 * @property ?Carbon $created_at
 * @property HostAccount $account
 * @property ?Run $run
 * @property ?Teaching $teaching
 * @property Work $work that sends it
 */
class Dispatch extends Model
{
    /** The kinds of work that send it, look after it at its host, and fetch what that made of it. */
    public const SENDS = 'send';

    public const FOLLOWS = 'follow';

    public const BRINGS = 'bring';

    protected $guarded = [];

    protected $table = 'dispatches';

    /** @var list<string> */
    protected $with = ['account'];

    protected $attributes = [
        'stage' => 'waiting', 'details' => '{}', 'captions' => '{}', 'record' => '[]', 'visibility' => 'private', 'sent' => 0, 'bytes' => 0,
        'restarts' => 0, 'failures' => 0, 'seconds' => 0.0,
    ];

    /** @var array<string, string> */
    protected $casts = [
        'stage' => Stage::class, 'remote' => 'array', 'details' => 'array', 'captions' => 'array', 'record' => 'array',
        'came_back' => 'array', 'bytes' => 'integer', 'sent' => 'integer', 'seconds' => 'float',
        'release_at' => 'datetime', 'not_before' => 'datetime', 'arrived_at' => 'datetime', 'released_at' => 'datetime',
        'file' => Volumes::class,
    ];

    /** @return BelongsTo<HostAccount, $this> also one that was forgotten */
    public function account(): BelongsTo
    {
        $account = $this->belongsTo(HostAccount::class, 'host_account_id');
        $account->withoutGlobalScope(SoftDeletingScope::class);

        return $account;
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<Teaching, $this> of its host, by what that made of it: no more than what was measured of that */
    public function teaching(): BelongsTo
    {
        $teaching = $this->belongsTo(Teaching::class);
        $teaching->select(['id', 'result->lessons[0]->renditions as renditions'])->withCasts(['renditions' => 'array']);

        return $teaching;
    }

    /** @return HasOne<Work, $this> */
    public function work(): HasOne
    {
        $work = $this->hasOne(Work::class, 'subject')->withDefault();
        $work->where('kind', self::SENDS);

        return $work;
    }

    /** @return Builder<static> the latest first */
    public static function listed(): Builder
    {
        // Neither plans nor slips are taken apart for a list that is asked for every second.
        $run = fn ($query) => $query->without('work')->select(['id', 'cut_id', 'source']);

        return self::query()->with(['work', 'run' => $run, 'run.cut:id,card', 'teaching'])->orderByDesc('id');
    }

    public function said(): Details
    {
        return Details::fromArray($this->details);
    }

    public function video(): ?RemoteVideo
    {
        return $this->remote === null ? null : RemoteVideo::fromArray($this->remote);
    }

    /**
     * Changes one of its lists or maps as it lies there at this moment: pages and workers write to it at once, and none may put back what
     * it read before another wrote.
     *
     * @param  'details'|'captions'|'record'  $field
     * @param  Closure(array<array-key, mixed>): array<array-key, mixed>  $change
     */
    public function amend(string $field, Closure $change): void
    {
        DB::transaction(function () use ($field, $change): void {
            $rows = self::query()->withoutEagerLoads();
            $rows->lockForUpdate();
            $now = $rows->find($this->id, ['id', $field]);
            if ($now === null) {
                return; // Cleared away meanwhile: there is nothing to change.
            }
            $now->update([$field => $change($now->{$field})]);
            $this->forceFill([$field => $now->{$field}])->syncOriginalAttribute($field);
        });
    }

    /** @param  array<string, mixed>  $changes */
    public function note(string $text, array $changes = []): void
    {
        $line = ['at' => now()->toIso8601ZuluString(), 'text' => $text];
        if (! $this->exists) {
            $this->fill(['record' => [...$this->record, $line]] + $changes)->save();

            return;
        }
        DB::transaction(function () use ($line, $changes): void {
            $this->amend('record', fn (array $record): array => [...$record, $line]);
            $this->fill($changes)->save();
        });
    }
}
