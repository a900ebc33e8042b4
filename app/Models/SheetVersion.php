<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a sheet was: whoever saves says what it began from.
 *
 * @property int $cut_id
 * @property int $version
 * @property ?array{first: int, last: int} $range
 * @property list<array<string, mixed>> $outputs
 */
class SheetVersion extends Model
{
    protected $guarded = [];

    protected $table = 'sheet_versions';

    /** @var array<string, string> */
    protected $casts = ['range' => 'array', 'outputs' => 'array', 'version' => 'integer'];
}
