<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What is said of every video of a series at a host, with fields that each one fills.
 *
 * @property int $id
 * @property string $host slug
 * @property string $name of the series
 * @property array<string, mixed> $details
 * @property int $number of the last video that was filled from it
 */
class DetailTemplate extends Model
{
    protected $guarded = [];

    protected $table = 'detail_templates';

    protected $attributes = ['number' => 0];

    /** @var array<string, string> */
    protected $casts = ['details' => 'array', 'number' => 'integer'];
}
