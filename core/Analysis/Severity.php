<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Stop: it will not work. Caution: it will cost you. Note: good to know. */
enum Severity: string
{
    case Stop = 'stop';
    case Caution = 'caution';
    case Note = 'note';
}
