<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** How full a decoder's buffer is while frames are taken out of it and bits flow in at a peak, as far as rates alone tell. */
final class BufferLevel
{
    /** Of a buffer, what encoders take to be full at first. */
    public const AT_FIRST = 0.9;

    /** Of what is full, what an encoder lets a stretch have: it keeps some for what follows. */
    private const LET = 0.5;

    /** Bits. */
    private float $full;

    /**
     * @param  float  $perFrame  bits that flow in while a frame is shown
     * @param  float  $buffer  bits
     * @param  float  $share  of it that is full at first, 0 to 1
     */
    public function __construct(private readonly float $perFrame, private readonly float $buffer, float $share)
    {
        $this->full = $share * $buffer;
    }

    /** Of what would be spent on the next frames, what the peak lets through, 0 to 1. */
    public function through(int $frames, float $bits): float
    {
        $comes = $frames * $this->perFrame;
        $through = min(1.0, ($comes + self::LET * $this->full) / max(1.0, $bits));
        $this->full = max(0.0, min($this->buffer, $this->full + $comes - $through * $bits));

        return $through;
    }

    /** 0 to 1 */
    public function share(): float
    {
        return $this->buffer <= 0 ? 0.0 : $this->full / $this->buffer;
    }

    /**
     * The arguments of a pass, with a buffer that is so full where its first frame is shown.
     *
     * @param  list<string>  $arguments
     * @param  float|null  $share  0 to 1; null for what the encoder takes it to be
     * @return list<string>
     */
    public static function told(array $arguments, ?float $share): array
    {
        $at = array_search('-bufsize', $arguments, true);
        $buffer = $at === false || $share === null ? 0 : (int) ($arguments[$at + 1] ?? 0);

        return $buffer === 0 ? $arguments : [...$arguments, '-rc_init_occupancy', (string) (int) round($share * $buffer)];
    }
}
