<?php

namespace App\Console;

use App\Configuration\DispatchSettings;
use App\Models\ActivityEntry;
use App\SignIn\ActivityLog;

class ActivityCommand extends CrateCommand
{
    protected $signature = 'activity
        {words?* : Each is found in who, what or the name of what it was done to}
        {--limit=50 : Entries at most, up to 200}
        {--json : Print JSON}';

    protected $description = 'Who changed what, the latest first';

    protected function perform(): int
    {
        $zone = app(DispatchSettings::class)->zone;
        $entries = app(ActivityLog::class)->search(implode(' ', (array) $this->argument('words')), limit: (int) $this->option('limit'));
        if ($this->option('json')) {
            $this->json(['entries' => $entries->toArray()]);

            return self::SUCCESS;
        }
        $entries->each(fn (ActivityEntry $entry) => $this->line(rtrim(sprintf(
            '%-18s %-22s %s %s%s',
            $entry->at->timezone($zone)->format('j M Y, H:i'),
            $entry->who,
            $entry->what,
            $entry->subject,
            $entry->times > 1 ? " · {$entry->times} times" : '',
        ))));
        if ($entries->isEmpty()) {
            $this->line('Nothing found.');
        }

        return self::SUCCESS;
    }
}
