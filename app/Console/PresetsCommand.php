<?php

namespace App\Console;

use App\Library\Entry;
use App\Library\Kind;

class PresetsCommand extends LibraryCommand
{
    protected $signature = 'presets
        {do : list [WORDS], show SLUG, import FILE, export SLUG …|all, default [ROLE[@HOST] SLUG|none]}
        {arguments?* : What it is done with}
        {--conflicts=both : What import does where a preset is there in other words: both, replace or skip}
        {--look : Import nothing; only say what is in the file}
        {--json : Print JSON}';

    protected $description = 'Presets: those that ship and your own';

    protected function kind(): Kind
    {
        return Kind::Preset;
    }

    protected function summary(Entry $entry): string
    {
        $content = $entry->file->content;
        $texts = array_filter([$content->role ?? null, $content->host ?? null], is_string(...));
        $tags = array_filter((array) ($content->tags ?? []), is_string(...));

        return $entry->name().' ('.implode(', ', [...$texts, ...$tags]).')';
    }

    protected function more(string $do, array $arguments): int
    {
        if ($do !== 'default') {
            throw new WrongUse("“{$do}” is not list, show, import, export or default.");
        }
        if ($arguments !== []) {
            [$for, $slug] = $arguments + [1 => null];
            preg_match('~^(master|upload|review|device|stills|sound)(@[a-z0-9-]+)?$~', $for) === 1 && $slug !== null
                ?: throw new WrongUse('Say for what, and which: default upload@lanternwick SLUG, or none.');
            $this->ranking->setDefault($for, $slug === 'none' ? null : $this->library->presets->entry($slug)->slug);
        }
        if ($this->option('json')) {
            $this->json($this->ranking->defaults());

            return self::SUCCESS;
        }
        foreach ($this->ranking->defaults() as $for => $slug) {
            $this->line(sprintf('%-24s %s', $for, $slug));
        }

        return self::SUCCESS;
    }
}
