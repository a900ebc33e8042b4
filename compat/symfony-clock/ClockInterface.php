<?php

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClockInterface;

/** A clock that can also sleep and change its time zone; the contract that Carbon extends. */
interface ClockInterface extends PsrClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
