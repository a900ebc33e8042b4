<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a transit test proves of each upload, in short.
 *
 * @property int $id
 * @property int $transit_test_id
 * @property int $cut_id
 * @property string $fingerprint of the cut that was tested
 * @property array<mixed> $uploads a TestedUpload each
 */
class TransitProof extends Model
{
    protected $guarded = [];

    protected $table = 'transit_proofs';

    /** @var array<string, string> */
    protected $casts = ['uploads' => 'array'];
}
