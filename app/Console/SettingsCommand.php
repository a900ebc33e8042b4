<?php

namespace App\Console;

use App\Resources\SettingsResource;
use App\Settings\Settings;

class SettingsCommand extends CrateCommand
{
    protected $signature = 'settings
        {name? : The setting, such as deliveries; all of them when left out}
        {value?* : What it is to be; several for a list. Left out, it is told}
        {--usual : Put it back to what is configured}
        {--json : Print JSON}';

    protected $description = 'Look at the settings, or change one';

    protected function perform(): int
    {
        $settings = app(Settings::class);
        $name = $this->argument('name');
        $values = (array) $this->argument('value');
        if ($name !== null && ! in_array($name, $settings->names(), true)) {
            throw new WrongUse("There is no setting “{$name}”. There is ".implode(', ', $settings->names()).'.');
        }
        if ($name !== null && ($values !== [] || $this->option('usual'))) {
            $settings->set([$name => match (true) {
                (bool) $this->option('usual') => null,
                $name === 'mediaFolders' => array_map($this->absolute(...), $values),
                $name === 'deliveries' => $this->absolute($values[0]),
                default => $values[0],
            }]);
        }
        if ($this->option('json')) {
            $this->json(SettingsResource::of($settings));

            return self::SUCCESS;
        }
        foreach ($name === null ? $settings->all() : [$name => $settings->all()[$name]] as $key => $value) {
            $this->line(sprintf('%-14s %s', $key, match (true) {
                is_object($value) => json_encode($value),
                is_array($value) => implode(', ', $value),
                is_bool($value) => $value ? 'set' : 'not set',
                default => (string) ($value ?? '–'),
            }));
        }

        return self::SUCCESS;
    }
}
