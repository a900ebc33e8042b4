<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use OuterCrate\Analysis\Found;
use OuterCrate\Json\Fields;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;

/**
 * A finished edit that was brought in: one media file, read, never changed.
 *
 * @property int $id
 * @property string $name
 * @property string $path
 * @property int $bytes
 * @property int $modified
 * @property array<string, mixed> $card what the shelf shows of the reading
 * @property array{probe: array<mixed>, fastStart: ?bool} $probe
 * @property list<array<string, mixed>> $outputs
 * @property int $sheet_version counted up when the sheet changes
 * @property ?string $fingerprint
 * @property ?array{first: int, last: int} $range
 * @property ?list<array{first: int, last: int, name: string}> $pieces that it goes out in; null for one file
 * @property ?CutAnalysis $analysis
 * @property ?Carbon $taken_off_at when it was taken off the shelf
 */
class Cut extends Model
{
    use SoftDeletes;

    public const DELETED_AT = 'taken_off_at';

    protected $guarded = [];

    protected $table = 'cuts';

    /** @var array<string, string> */
    protected $casts = [
        'path' => KeptName::class,
        'card' => 'array',
        'probe' => 'array',
        'outputs' => 'array',
        'range' => 'array',
        'pieces' => 'array',
        'bytes' => 'integer',
        'modified' => 'integer',
        'sheet_version' => 'integer',
    ];

    protected static function booted(): void
    {
        static::saving(function (self $cut): void {
            if ($cut->isDirty(['name', 'path', 'card'])) {
                $cut->forceFill($cut->sortedBy());
            }
        });
    }

    /** @return array<string, string|int|float> columns for searching and sorting the shelf */
    private function sortedBy(): array
    {
        ['values' => $values] = $card = $this->card;
        $rate = Fraction::parse($card['frameRate'])->toFloat();
        $text = fn (string $label): string => mb_substr($label, 0, 255);

        return [
            'search' => mb_strtolower("{$this->name} ".mb_scrub(basename($this->path))." {$values['video']}"),
            'pixels' => $card['width'] * $card['height'],
            'frame_rate' => $rate,
            'video' => $text($values['video']),
            'colour' => $text($values['colour']),
            'audio' => $text($values['audio']),
            'seconds' => $rate > 0 ? $card['frames'] / $rate : 0.0,
        ];
    }

    public function reading(): Reading
    {
        return (new ProbeReader)->stored(new Fields($this->readingDocument()));
    }

    /** @return array{probe: array<mixed>, bytes: int, fastStart: ?bool} what its reading is made of */
    public function readingDocument(): array
    {
        return ['probe' => $this->probe['probe'], 'bytes' => $this->bytes, 'fastStart' => $this->probe['fastStart']];
    }

    /** @return HasOne<CutAnalysis, $this> */
    public function analysis(): HasOne
    {
        return $this->hasOne(CutAnalysis::class);
    }

    /** What was found in it; null while it has not been looked at. */
    public function found(): ?Found
    {
        return $this->analysis?->isCurrent() === true && $this->analysis->result !== null ? Found::in($this->analysis->result) : null;
    }

    /** The frames to deliver, as far as the file has them. */
    public function range(Reading $reading): FrameRange
    {
        return FrameRange::whole(max(1, $reading->length()))->clamp($this->range['first'] ?? 0, $this->range['last'] ?? PHP_INT_MAX);
    }
}
