<?php

namespace StandIn;

use StandIn\Models\Fault;

/** What goes wrong on demand. Each fault is switched on with a value, for a number of times where that is said. */
class Faults
{
    /**
     * Every fault with what it does and the value that it is switched on with on its page.
     *
     * @var array<string, array{string, array<string, int|string>}>
     */
    public const ALL = [
        'password' => ['Every password is wrong.', []],
        'token' => ['Tokens have expired.', ['times' => 1]],
        'drop' => [
            'The line is cut after so many bytes; at random, after that many on the mean.',
            ['after' => 200_000, 'times' => 1, 'random' => 0],
        ],
        'slow' => ['The line carries so many bytes a second.', ['bytes' => 500_000]],
        'broken' => ['Requests are answered 503.', ['times' => 3]],
        'busy' => ['Requests are answered 429, with Retry-After.', ['seconds' => 5, 'times' => 1]],
        'quota' => ['The account is full.', []],
        'checksum' => ['What arrived has another checksum.', ['times' => 1]],
        'refuses' => ['A video is refused for its length, size or shape.', ['for' => 'length']],
        'processing-fails' => ['No rendition can be made.', []],
        'processing-stands' => ['Renditions never come to an end.', []],
        'clock' => ['The host’s clock is so many seconds ahead.', ['seconds' => 3600]],
    ];

    /** Those that the line acts on, not the host behind it. */
    public const OF_THE_LINE = ['drop', 'slow'];

    /**
     * Its value where it is on; one of its times is used up.
     *
     * @return array<string, int|string>|null
     */
    public function strikes(string $name): ?array
    {
        $fault = Fault::query()->find($name);
        if ($fault === null) {
            return null;
        }
        $value = $fault->value;
        if (isset($value['times'])) {
            $value['times'] = (int) $value['times'] - 1;
            $value['times'] <= 0 ? $fault->delete() : $fault->update(['value' => $value]);
        }

        return $value;
    }

    /**
     * Its value where it is on.
     *
     * @return array<string, int|string>|null
     */
    public function value(string $name): ?array
    {
        return Fault::query()->find($name)?->value;
    }

    /** @return array<string, array<string, int|string>> the values of those that are on */
    public function on(): array
    {
        return Fault::query()->get()->mapWithKeys(fn (Fault $one): array => [$one->name => $one->value])->all();
    }

    /** @param  array<string, int|string>|null  $value  null switches it off */
    public function set(string $name, ?array $value): void
    {
        $value === null
            ? Fault::query()->whereKey($name)->delete()
            : Fault::query()->updateOrCreate(['name' => $name], ['value' => $value]);
        if (in_array($name, self::OF_THE_LINE, true)) {
            $line = Fault::query()->whereKey(self::OF_THE_LINE)->get()->mapWithKeys(fn (Fault $one): array => [$one->name => $one->value]);
            $path = self::lineFile();
            file_put_contents("{$path}.new", json_encode((object) $line->all()));
            rename("{$path}.new", $path);
        }
    }

    /** What the line reads, several times a second. */
    public static function lineFile(): string
    {
        return storage_path('line.json');
    }
}
