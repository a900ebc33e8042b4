<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** Where a value of a plan came from. */
enum OriginSource: string
{
    case Cut = 'cut';
    case Preset = 'preset';
    case Host = 'host';
    case Rule = 'rule';
    case You = 'you';
}
