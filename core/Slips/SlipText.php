<?php

declare(strict_types=1);

namespace OuterCrate\Slips;

use OuterCrate\Json\Fields;

/** The slips of what was packed together as plain text: to go with the files, and to be read without Outer Crate. */
final class SlipText
{
    private const WIDTH = 16;

    /**
     * @param  string  $cut  its name
     * @param  array<string, string>  $cells  labels of the rows of the sheet, by name
     * @param  list<array<mixed>>  $runs  resources/schema/packed-run.json
     */
    public static function of(string $cut, array $cells, array $runs): string
    {
        $all = array_map(static fn (array $run): Fields => new Fields($run), $runs);

        return implode("\n", array_merge(...array_map(
            static fn (Fields $run): array => [...self::run($cut, $cells, $run), ''],
            $all,
        )));
    }

    /**
     * @param  array<string, string>  $cells
     * @return list<string>
     */
    private static function run(string $cut, array $cells, Fields $run): array
    {
        $plan = $run->within('plan');
        $slip = $run->within('slip');
        $title = $run->text('file') ?? '';
        $lines = [$title, str_repeat('=', mb_strlen($title)), self::line('Cut', $cut), self::line('Preset', $run->text('preset') ?? '')];
        if ($plan->text('host') !== null) {
            $version = $plan->int('hostVersion');
            $host = $plan->text('hostName') ?? $plan->text('host');
            $lines[] = self::line('Host', $host.($version === null ? '' : ", version {$version}"));
        }
        if ($slip->text('sha256') === null) {
            return [...$lines, self::line('State', trim("{$run->text('state')} {$run->text('error')}"))];
        }
        foreach ($cells as $name => $label) {
            $lines[] = self::line($label, $slip->within('found')->text($name) ?? '–');
        }
        array_push(
            $lines,
            self::line('Length', "{$slip->text('durationLabel')} · {$slip->int('frames')} frames"),
            self::line('File size', "{$slip->text('bytesLabel')} ({$slip->int('bytes')} bytes)"),
            self::line('Loudness', $slip->within('level')->text('label') ?? '–'),
            self::line('Decoded', $slip->within('decoded')->text('label') ?? '–'),
            self::line('SHA-256', $slip->text('sha256')),
            self::line('xxHash64', $slip->text('xxh64') ?? '–'),
            self::line('Begun', $run->text('startedAt') ?? '–'),
            self::line('Finished', $run->text('endedAt') ?? '–'),
            self::line('Made by', self::madeBy($slip)),
        );
        $told = [...$slip->rows('differences'), ...$slip->rows('notes')];
        foreach ($told as $one) {
            $lines[] = self::line('Differs', $one->text('text') ?? '');
        }

        return $told === [] ? [...$lines, self::line('Differs', 'nothing')] : $lines;
    }

    private static function madeBy(Fields $slip): string
    {
        $version = $slip->text('version');
        $engine = $slip->text('engine');

        return 'Outer Crate'.($version === null ? '' : " {$version}").($engine === null ? '' : ", FFmpeg {$engine}");
    }

    private static function line(string $name, string $value): string
    {
        return str_pad($name, self::WIDTH).$value;
    }
}
