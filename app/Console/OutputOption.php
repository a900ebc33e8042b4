<?php

namespace App\Console;

use App\Library\Presets;
use App\Library\UnknownName;

/** `--output=PRESET[@HOST]`. */
final class OutputOption
{
    /**
     * Without a host, the one the preset was made for; `PRESET@` for none.
     *
     * @param  list<string>  $options
     * @return list<array{preset: string, host: ?string, edits: array<string, mixed>}>
     *
     * @throws WrongUse when none is given, or one is not in this form
     * @throws UnknownName
     */
    public static function all(array $options, Presets $presets, string $name = '--output'): array
    {
        if ($options === []) {
            throw new WrongUse(
                "Say what to make: {$name}=PRESET or {$name}=PRESET@HOST, once for each file. Presets: ".
                    implode(', ', array_keys($presets->entries())).
                    '.',
            );
        }

        return array_map(function (string $option) use ($presets): array {
            if (preg_match('~^([a-z0-9-]+)(?:@([a-z0-9-]*))?$~', $option, $m) !== 1) {
                throw new WrongUse("“{$option}” is not PRESET or PRESET@HOST, such as lanternwick-even@lanternwick.");
            }
            $preset = $presets->need($m[1]);

            return ['preset' => $m[1], 'host' => isset($m[2]) ? ($m[2] === '' ? null : $m[2]) : $preset->host, 'edits' => []];
        }, $options);
    }
}
