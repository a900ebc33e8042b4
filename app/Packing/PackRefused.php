<?php

namespace App\Packing;

use RuntimeException;

/** A pack that is known beforehand not to work; nothing was queued. */
final class PackRefused extends RuntimeException
{
}
