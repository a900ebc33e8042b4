<?php

namespace App\Packing;

use RuntimeException;

/** The worker is ending; the run goes back to the queue. */
final class Interrupted extends RuntimeException
{
}
