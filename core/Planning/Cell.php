<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** The rows of the sheet, in their order. */
enum Cell: string
{
    case Container = 'container';
    case Picture = 'picture';
    case FrameSize = 'frameSize';
    case FrameRate = 'frameRate';
    case Rate = 'rate';
    case Keyframes = 'keyframes';
    case Colour = 'colour';
    case Sound = 'sound';
    case File = 'file';
}
