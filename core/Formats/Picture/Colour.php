<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

use OuterCrate\Json\Fields;

/**
 * Colour tags of a picture by their ITU-T H.273 names as the engine spells them; null where the file says nothing.
 */
final readonly class Colour
{
    public function __construct(
        public ?string $primaries = null,
        public ?string $transfer = null,
        public ?string $matrix = null,
        public bool $fullRange = false,
    ) {
    }

    public static function fromArray(Fields $colour): self
    {
        return new self(
            $colour->text('primaries'),
            $colour->text('transfer'),
            $colour->text('matrix'),
            $colour->text('range') === 'full',
        );
    }

    /** PQ (SMPTE ST 2084) or HLG (ARIB STD-B67) transfer. */
    public function isHdr(): bool
    {
        return $this->transfer === 'smpte2084' || $this->transfer === 'arib-std-b67';
    }

    public function isTagged(): bool
    {
        return $this->primaries !== null && $this->transfer !== null && $this->matrix !== null;
    }

    public function equals(self $other): bool
    {
        return $this == $other;
    }

    /** Whether a player shows the same: both tags of BT.601 have one matrix, and four names one transfer (ITU-T H.273, tables 3 and 4). */
    public function showsLike(self $other): bool
    {
        $matrix = static fn (?string $name): ?string => $name === 'bt470bg' ? 'smpte170m' : $name;
        $transfer = static fn (?string $name): ?string => in_array($name, ['smpte170m', 'bt2020-10', 'bt2020-12'], true) ? 'bt709' : $name;

        return $this->primaries === $other->primaries && $matrix($this->matrix) === $matrix($other->matrix)
            && $transfer($this->transfer) === $transfer($other->transfer) && $this->fullRange === $other->fullRange;
    }

    /** The same range, and nothing said of the rest. */
    public function untagged(): self
    {
        return new self(null, null, null, $this->fullRange);
    }

    /** The name people use: BT.709, BT.601 (525), BT.2020 PQ … or "not tagged". */
    public function label(): string
    {
        $space = match ($this->primaries ?? $this->matrix) {
            'bt709' => 'BT.709',
            'bt470bg' => 'BT.601 (625)',
            'smpte170m' => 'BT.601 (525)',
            'bt2020', 'bt2020nc', 'bt2020c' => 'BT.2020',
            'smpte432' => 'Display P3',
            'smpte431' => 'DCI-P3',
            'film' => 'film',
            null => null,
            default => (string) ($this->primaries ?? $this->matrix),
        };
        if ($space === null) {
            return 'not tagged';
        }
        $transfer = match ($this->transfer) {
            'smpte2084' => ' PQ',
            'arib-std-b67' => ' HLG',
            'linear' => ' linear',
            'iec61966-2-1' => ' sRGB',
            default => '',
        };

        return $space.$transfer.($this->fullRange ? ' full' : '');
    }

    /** @return array{primaries: ?string, transfer: ?string, matrix: ?string, range: string} */
    public function toArray(): array
    {
        return [
            'primaries' => $this->primaries,
            'transfer' => $this->transfer,
            'matrix' => $this->matrix,
            'range' => $this->fullRange ? 'full' : 'limited',
        ];
    }
}
