<?php

namespace App\Console;

use RuntimeException;

/** The command was called with words that make no sense together: exit status 2. */
final class WrongUse extends RuntimeException
{
}
