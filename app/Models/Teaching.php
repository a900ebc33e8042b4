<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;

/**
 * Uploads and what a host made of them, looked at to learn what it does.
 *
 * @property int $id
 * @property string $host slug
 * @property array{hostName: string, host: array<mixed>, lessons: list<list<string>>} $asked the host's document, and the files
 * @property array<string, mixed>|null $result resources/schema/taught.json; null while it is not done
 * @property string|null $saved_as slug of the host that holds it now
 * @property list<array<string, mixed>>|null $renditions of its first lesson, where they alone were asked for
 * @property Work $work
 * @property Carbon $created_at
 */
class Teaching extends Model
{
    /** The kind of work that does it. */
    public const WORK = 'teach';

    protected $guarded = [];

    protected $table = 'teachings';

    /** @var array<string, string> */
    protected $casts = ['asked' => 'array', 'result' => 'array'];

    /** @return HasOne<Work, $this> */
    public function work(): HasOne
    {
        $work = $this->hasOne(Work::class, 'subject')->withDefault();
        $work->where('kind', self::WORK);

        return $work;
    }
}
