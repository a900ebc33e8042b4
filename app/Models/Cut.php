<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;

/**
 * A finished edit that was brought in: one media file, read, never changed.
 *
 * @property int $id
 * @property string $name
 * @property string $path
 * @property int $bytes
 * @property int $modified
 * @property array<string, mixed> $reading
 * @property array<string, mixed> $card what the shelf shows of the reading
 * @property array{probe: array<mixed>, fastStart: ?bool} $probe
 * @property list<array<string, mixed>> $outputs
 */
class Cut extends Model
{
    protected $guarded = [];

    protected $casts = ['reading' => 'array', 'card' => 'array', 'probe' => 'array', 'outputs' => 'array', 'bytes' => 'integer', 'modified' => 'integer'];

    public function reading(): Reading
    {
        return (new ProbeReader)->read($this->probe['probe'], $this->bytes, $this->probe['fastStart']);
    }

    /** The file is no longer the one that was read. */
    public function hasChanged(): bool
    {
        clearstatcache(true, $this->path);

        return ! is_file($this->path) || filesize($this->path) !== $this->bytes || filemtime($this->path) !== $this->modified;
    }
}
