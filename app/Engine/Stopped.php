<?php

namespace App\Engine;

use RuntimeException;

/** The person asked for the run to stop. */
final class Stopped extends RuntimeException
{
}
