<?php

namespace App\Engine;

/** What precedes a command whose program must not outlive this process. */
final class EndsWithParent
{
    /** To be set for the command: a locale that is not installed is no concern of perl's. */
    public const ENVIRONMENT = ['PERL_BADLANG' => '0'];

    /** perl(1) replaces itself by the program, unless its parent is another process than the one that started it. */
    private const CHECK = 'getppid == shift or exit 125; exec {$ARGV[0]} @ARGV; exit 127';

    /**
     * setpriv(1) has the kernel signal the program when its parent dies (prctl(2), PR_SET_PDEATHSIG). A parent that dies in the
     * milliseconds before that goes unnoticed, so the parent is checked afterwards.
     *
     * @param  string  $signal  name without SIG
     * @return list<string>
     */
    public static function command(string $signal): array
    {
        return ['setpriv', '--pdeathsig', $signal, 'perl', '-e', self::CHECK, (string) posix_getpid()];
    }
}
