<?php

namespace App\Settings;

use App\Configuration\SetValues;
use App\Models\Setting;
use Illuminate\Support\Facades\DB;
use Throwable;

/** What a person set, kept in the database; it stands in for what is configured. */
class Settings
{
    /** Keys that an earlier version wrote otherwise. */
    private const KEYS = ['lineSpeed' => 'line_speed'];

    /** @var list<Entry> */
    private readonly array $entries;

    public function __construct(private readonly SetValues $values)
    {
        $this->entries = [
            new DeliveriesFolder, new MediaFoldersList, new LineSpeedSetting, new RunsAtOnce, new EndSound, new WebhookAddress,
            new WebhookSecret, new SendSpeed, new SendHours, new SignInHere, new RetentionSetting,
        ];
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(fn (Entry $entry): string => $entry->name(), $this->entries);
    }

    /** @return array<string, mixed> by name, as they are told */
    public function all(): array
    {
        $this->refresh();

        return array_combine($this->names(), array_map(fn (Entry $entry): mixed => $entry->told($entry->current()), $this->entries));
    }

    /**
     * Sets all of these, or none; null puts one back to what is configured.
     *
     * @param  array<string, mixed>  $values
     *
     * @throws SettingRefused
     */
    public function set(array $values): void
    {
        $checked = [];
        foreach ($this->entries as $entry) {
            if (array_key_exists($entry->name(), $values)) {
                $value = $values[$entry->name()];
                $checked[self::key($entry->name())] = $value === null ? null : $entry->checked($value);
                unset($values[$entry->name()]);
            }
        }
        if ($values !== []) {
            $names = implode(', ', $this->names());
            throw new SettingRefused('There is no setting “'.array_key_first($values).'”.', "There is {$names}.");
        }
        DB::transaction(function () use ($checked): void {
            foreach ($checked as $key => $value) {
                // Setting what is set already still says: forget what was learnt since.
                $value === null
                    ? Setting::query()->whereKey($key)->delete()
                    : Setting::query()->updateOrCreate(['key' => $key], ['value' => $value, 'updated_at' => now()]);
            }
        });
        $this->refresh();
    }

    /** @return list<string> names of those that somebody set */
    public function changed(): array
    {
        $set = Setting::query()->pluck('key')->all();

        return array_values(array_filter($this->names(), fn (string $name): bool => in_array(self::key($name), $set, true)));
    }

    /** Reads again what is set; it holds in this process from now on. */
    public function refresh(): void
    {
        try {
            // Every process and every answer begins with this: as rows, which takes a fifth of what a model does.
            $set = DB::table('settings')->pluck('value', 'key')->map(fn (string $value): mixed => json_decode($value, true))->all();
        } catch (Throwable) {
            // There is no database yet, or it cannot be asked for a moment: what was known holds.
            return;
        }
        $values = [];
        foreach ($this->entries as $entry) {
            $key = self::key($entry->name());
            isset($set[$key]) ? $values[(string) $entry->configured()] = $set[$key] : null;
        }
        $this->values->replace($values);
    }

    private static function key(string $name): string
    {
        return self::KEYS[$name] ?? $name;
    }
}
