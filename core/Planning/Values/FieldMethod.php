<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

/** How two fields become one progressive frame. */
enum FieldMethod: string
{
    /** Lines of one field stay, those between are found from the fields around them. */
    case Interpolate = 'interpolate';

    /** Both fields are averaged, and the noise of both with them. */
    case Blend = 'blend';
}
