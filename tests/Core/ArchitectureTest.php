<?php

arch('core knows nothing of the framework and the application')
    ->expect('OuterCrate')
    ->not->toUse(['Illuminate', 'App', 'Symfony', 'Laravel', 'Opis']);

arch('core starts no process, reads no clock and opens no file')
    ->expect('OuterCrate')
    ->not->toUse(['exec', 'shell_exec', 'system', 'passthru', 'proc_open', 'popen', 'fopen', 'file_get_contents', 'file_put_contents', 'time', 'microtime', 'date', 'rand', 'mt_rand', 'random_int']);

arch('core is strict and closed')->expect('OuterCrate')->toUseStrictTypes()->classes()->not->toBeAbstract()->ignoring('OuterCrate\Formats\Containers\IsoBaseMedia');

arch('only the engine starts processes')
    ->expect(['Symfony\Component\Process\Process', 'proc_open', 'exec', 'shell_exec', 'system', 'passthru', 'popen'])
    ->toOnlyBeUsedIn('App\Engine');

arch('nothing is left that was for looking inside')->expect(['dd', 'dump', 'ray', 'var_dump', 'die'])->not->toBeUsed();
