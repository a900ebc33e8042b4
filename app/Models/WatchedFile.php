<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A file that was seen in a watch folder.
 *
 * @property int $id
 * @property int $watch_folder_id
 * @property string $name
 * @property string $state settling, packing, packed or refused
 * @property int $bytes
 * @property int $modified
 * @property Carbon $since it has been of this size and time
 * @property ?string $error why it was set aside
 * @property ?string $pack of its runs
 * @property Carbon $updated_at
 */
class WatchedFile extends Model
{
    public const SETTLING = 'settling';

    public const PACKING = 'packing';

    public const PACKED = 'packed';

    public const REFUSED = 'refused';

    protected $guarded = [];

    protected $table = 'watched_files';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @var array<string, string> */
    protected $casts = ['name' => KeptName::class, 'since' => 'datetime', 'bytes' => 'integer', 'modified' => 'integer'];
}
