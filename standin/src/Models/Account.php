<?php

namespace StandIn\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $host whose account it is, by its slug
 * @property string $name
 * @property string $password hashed
 * @property ?string $terms the version of them that was accepted
 */
class Account extends Model
{
    protected $guarded = [];

    protected $hidden = ['password'];
}
