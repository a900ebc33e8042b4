<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;

/** The hours of a day between which the line may be used, as clocks show them there; over midnight where the last is the earlier one. */
final readonly class Hours
{
    private int $from;

    private int $to;

    /**
     * @param  string  $from  22:00
     * @param  string  $to  06:30
     *
     * @throws InvalidArgumentException when they are no times of a day
     */
    public function __construct(string $from, string $to, private DateTimeZone $zone)
    {
        $this->from = self::minute($from);
        $this->to = self::minute($to);
    }

    /**
     * @param  string  $text  22:00-06:30; empty for all of the day
     * @return self|null null for all of the day
     *
     * @throws InvalidArgumentException when it says neither
     */
    public static function of(string $text, DateTimeZone $zone): ?self
    {
        if ($text === '') {
            return null;
        }
        $hours = preg_split('~\s*[-–]\s*~u', $text) ?: [];

        return count($hours) === 2
            ? new self($hours[0], $hours[1], $zone)
            : throw new InvalidArgumentException("“{$text}” does not say from when to when.");
    }

    /** Seconds until the line may be used; 0 when it may be now. */
    public function wait(DateTimeImmutable $now): int
    {
        $there = $now->setTimezone($this->zone);
        $minute = 60 * (int) $there->format('G') + (int) $there->format('i');
        $isWithin = match (true) {
            $this->from === $this->to => true,
            $this->from < $this->to => $minute >= $this->from && $minute < $this->to,
            default => $minute >= $this->from || $minute < $this->to,
        };
        if ($isWithin) {
            return 0;
        }
        $opens = $there->setTime(intdiv($this->from, 60), $this->from % 60);

        return ($opens > $there ? $opens : $opens->modify('+1 day'))->getTimestamp() - $now->getTimestamp();
    }

    private static function minute(string $time): int
    {
        return preg_match('~^([01]?\d|2[0-3]):([0-5]\d)$~', $time, $m) === 1
            ? 60 * (int) $m[1] + (int) $m[2]
            : throw new InvalidArgumentException("“{$time}” is no time of a day. Write 22:00.");
    }
}
