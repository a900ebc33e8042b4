<?php

namespace App\Engine;

/** Start of a command whose program must end when this process ends. */
final class EndsWithParent
{
    /** Environment of the command. Keeps perl from warning about a locale that is not installed. */
    public const ENVIRONMENT = ['PERL_BADLANG' => '0'];

    /** perl(1) replaces itself with the program only if its parent is still the process that started it. */
    private const CHECK = 'getppid == shift or exit 125; exec {$ARGV[0]} @ARGV; exit 127';

    /**
     * setpriv(1) asks the kernel to signal the program when its parent dies (prctl(2), PR_SET_PDEATHSIG). That has no effect if the
     * parent died some milliseconds earlier, so the parent is checked afterwards.
     *
     * @param  string  $signal  name without SIG
     * @return list<string>
     */
    public static function command(string $signal): array
    {
        return ['setpriv', '--pdeathsig', $signal, 'perl', '-e', self::CHECK, (string) posix_getpid()];
    }
}
