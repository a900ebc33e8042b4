<?php

namespace App\Console;

use App\Library\Entry;
use App\Library\Kind;

class HostsCommand extends LibraryCommand
{
    protected $signature = 'hosts
        {do : list [WORDS], show SLUG, import FILE, export SLUG …|all}
        {arguments?* : What it is done with}
        {--conflicts=both : What import does where a host is there in other words: both, replace or skip}
        {--look : Import nothing; only say what is in the file}
        {--json : Print JSON}';

    protected $description = 'Hosts: those that ship and your own';

    protected function kind(): Kind
    {
        return Kind::Host;
    }

    protected function summary(Entry $entry): string
    {
        $about = $entry->file->content->about ?? '';

        return $entry->name().(is_string($about) && $about !== '' ? ": {$about}" : '');
    }
}
