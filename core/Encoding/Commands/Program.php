<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** The programs of the engine. */
enum Program: string
{
    case Encoder = 'encoder';
    case Prober = 'prober';
}
