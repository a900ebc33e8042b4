<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $language
 * @property string $text WebVTT
 */
class Caption extends Model
{
    protected $guarded = [];
}
