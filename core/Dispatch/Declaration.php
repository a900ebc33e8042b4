<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

/** A question that a host asks of a video, which the person answers and nothing else does. */
enum Declaration: string
{
    case MadeForChildren = 'madeForChildren';
    case PaidPromotion = 'paidPromotion';
    case AlteredContent = 'alteredContent';
    case Rights = 'rights';

    public function question(): string
    {
        return match ($this) {
            self::MadeForChildren => 'Is it made for children?',
            self::PaidPromotion => 'Was anybody paid to show something in it?',
            self::AlteredContent => 'Does it show something real that was altered or made up?',
            self::Rights => 'Do you hold the rights to everything in it?',
        };
    }

    /** Whether only a yes lets it be shown. */
    public function needsYes(): bool
    {
        return $this === self::Rights;
    }
}
