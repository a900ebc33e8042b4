<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use DateTimeImmutable;
use DateTimeZone;
use Exception;
use InvalidArgumentException;

/** A date and an hour as a clock on a wall shows them somewhere, as a moment. */
final readonly class ReleaseTime
{
    /** Seconds by which clocks are put back, of all zones of this century. */
    private const SHIFTS = [1800, 3600, 7200];

    private function __construct(public DateTimeImmutable $moment, public ?string $remark)
    {
    }

    /**
     * @param  string  $local  2026-11-28T18:30
     * @param  string  $zone  of the tz database
     *
     * @throws InvalidArgumentException when there is no such time or zone
     */
    public static function of(string $local, string $zone): self
    {
        if (preg_match('~^\d{4}-\d\d-\d\dT\d\d:\d\d$~', $local) !== 1) {
            throw new InvalidArgumentException('Write the time as 2026-11-28T18:30.');
        }
        try {
            $there = new DateTimeZone($zone);
        } catch (Exception) {
            throw new InvalidArgumentException("There is no time zone “{$zone}”. Write one as Europe/Vienna.");
        }
        $moment = DateTimeImmutable::createFromFormat('!Y-m-d\TH:i', $local, $there);
        $errors = DateTimeImmutable::getLastErrors();
        if ($moment === false || ($errors !== false && $errors['warning_count'] > 0)) {
            throw new InvalidArgumentException("There is no such day or hour: {$local}.");
        }
        $shown = $moment->format('Y-m-d\TH:i');
        if ($shown !== $local) {
            throw new InvalidArgumentException("The clocks leave that hour out and show {$moment->format('H:i')}. Choose another.");
        }
        $utc = $moment->setTimezone(new DateTimeZone('UTC'));

        return new self($utc, self::isTwice($moment) ? 'The clocks show that hour twice that day; it is the second of both.' : null);
    }

    /** Of an hour that comes twice this is the second: nothing is shown too early. */
    private static function isTwice(DateTimeImmutable $moment): bool
    {
        foreach (self::SHIFTS as $seconds) {
            if ($moment->setTimestamp($moment->getTimestamp() - $seconds)->format('Y-m-d\TH:i') === $moment->format('Y-m-d\TH:i')) {
                return true;
            }
        }

        return false;
    }
}
