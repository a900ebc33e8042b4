<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $name
 * @property array<string, int|string> $value
 */
class Fault extends Model
{
    public $incrementing = false;

    protected $primaryKey = 'name';

    protected $keyType = 'string';

    protected $guarded = [];

    /** @var array<string, string> */
    protected $casts = ['value' => 'array'];
}
