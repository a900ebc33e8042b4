<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Reading\SoundLevel;

/** How loud sound is brought to a target: by one gain for all of it, and a limiter only where its peaks would pass the ceiling. */
final readonly class Levelling
{
    /** Most that sound is lifted: beyond it, noise and room come up with the voice. */
    public const MOST_GAIN = 24.0;

    /** LU that a file may be off its target: what EBU R 128 allows live programmes, half of its usual 1 LU. */
    public const NEAR = 0.5;

    /** dB by which a limiter is set under the ceiling: what lies between samples at its own rate. */
    private const UNDER = 0.1;

    /** LU within which another try would change nothing that can be heard or told. */
    private const MET = 0.2;

    /** Tries of what is delivered, the first one left out. */
    private const MOST_TRIES = 5;

    /**
     * @param  float  $target  integrated loudness in LUFS (ITU-R BS.1770-4)
     * @param  float  $ceiling  true peak that nothing passes, in dBTP (EBU R 128 asks −1)
     * @param  float|null  $gain  in dB; null while the loudness of what is delivered is not known
     * @param  float|null  $limit  dBTP at which peaks are held; null where none would pass the ceiling
     */
    public function __construct(public float $target, public float $ceiling, public ?float $gain = null, public ?float $limit = null)
    {
    }

    /** @throws MissingPart where target or ceiling is missing */
    public static function fromArray(Fields $value): self
    {
        return new self(
            $value->float('loudness') ?? throw new MissingPart('loudness'),
            $value->float('truePeak') ?? throw new MissingPart('truePeak'),
            $value->float('gain'),
            $value->float('limit'),
        );
    }

    public function limits(): bool
    {
        return $this->limit !== null;
    }

    /**
     * The same for sound of this loudness before anything is done to it.
     *
     * @param  float|null  $loudness  in LUFS; null leaves the level alone
     * @param  float|null  $truePeak  in dBTP
     */
    public function for(?float $loudness, ?float $truePeak): self
    {
        if ($loudness === null) {
            return new self($this->target, $this->ceiling);
        }
        $gain = self::held($this->target - $loudness);

        return new self($this->target, $this->ceiling, $gain, ($truePeak ?? 0.0) + $gain > $this->ceiling ? $this->limit() : null);
    }

    /**
     * What to try next where these settings came to this, codec and all; null where that is as near as it gets.
     *
     * @param  int  $tries  so far
     */
    public function after(SoundLevel $came, int $tries): ?self
    {
        if ($this->gain === null || $came->integrated === null || $tries >= self::MOST_TRIES) {
            return null;
        }
        $off = $this->target - $came->integrated;
        $over = ($came->truePeak ?? $this->ceiling) - $this->ceiling;
        // Lifting sound into a limiter makes it louder by less than it is lifted.
        $gain = abs($off) > self::MET ? self::held($this->gain + $off * ($this->limits() ? 1.4 : 1.0), $this->limits()) : $this->gain;
        $limit = $over > 0 ? round(($this->limit ?? $this->limit()) - max($over, self::UNDER), 2) : $this->limit;
        $next = new self($this->target, $this->ceiling, $gain, $limit);

        return $next == $this ? null : $next;
    }

    public function label(): string
    {
        return self::signed($this->target)."\u{2009}LUFS";
    }

    public static function signed(float $value): string
    {
        return str_replace('-', '−', rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.'));
    }

    /** @return array{loudness: float, truePeak: float, gain: ?float, limited: bool, limit: ?float} */
    public function toArray(): array
    {
        return [
            'loudness' => $this->target,
            'truePeak' => $this->ceiling,
            'gain' => $this->gain,
            'limited' => $this->limits(),
            'limit' => $this->limit,
        ];
    }

    private function limit(): float
    {
        return $this->ceiling - self::UNDER;
    }

    /** A limiter may be driven harder than the whole is lifted. Turning sound down harms nothing. */
    private static function held(float $gain, bool $limits = false): float
    {
        return round(min($limits ? 1.5 * self::MOST_GAIN : self::MOST_GAIN, $gain), 1);
    }
}
