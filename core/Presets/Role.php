<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

/** What an output is for. */
enum Role: string
{
    case Master = 'master';
    case Upload = 'upload';
    case Review = 'review';
    case Device = 'device';
    case Stills = 'stills';
    case Sound = 'sound';
}
