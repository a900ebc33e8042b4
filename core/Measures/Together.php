<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** How samples of two pictures go together: sums from which mean, variance and what they share are told. */
final class Together
{
    private int $count = 0;

    private int $x = 0;

    private int $y = 0;

    private int $xx = 0;

    private int $yy = 0;

    private int $xy = 0;

    /** Samples of both, a byte each; of the longer one as many as the other has. */
    public function add(string $one, string $other): void
    {
        $samples = min(strlen($one), strlen($other));
        for ($i = 0; $i < $samples; $i++) {
            [$x, $y] = [ord($one[$i]), ord($other[$i])];
            $this->x += $x;
            $this->y += $y;
            $this->xx += $x * $x;
            $this->yy += $y * $y;
            $this->xy += $x * $y;
        }
        $this->count += $samples;
    }

    public function isEmpty(): bool
    {
        return $this->count === 0;
    }

    /** Variance of the first, in grey levels squared. */
    public function ofOne(): float
    {
        return $this->isEmpty() ? 0.0 : $this->xx / $this->count - ($this->x / $this->count) ** 2;
    }

    /** Variance of the second. */
    public function ofOther(): float
    {
        return $this->isEmpty() ? 0.0 : $this->yy / $this->count - ($this->y / $this->count) ** 2;
    }

    /** Covariance. */
    public function shared(): float
    {
        return $this->isEmpty() ? 0.0 : $this->xy / $this->count - $this->x * $this->y / $this->count ** 2;
    }
}
