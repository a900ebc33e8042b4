<?php

namespace App\Retention;

use App\Configuration\SetValues;
use App\Settings\RetentionSetting;
use OuterCrate\Store\Aged;
use OuterCrate\Store\RetentionLimit;

/** Previews and applies the retention limits. They never delete documents, slips or finished files. */
final class Retention
{
    /** @var list<Retained> */
    private readonly array $kinds;

    public function __construct(RunLogs $logs, FinishedTests $tests, SampleResults $samples, DerivedFiles $derived)
    {
        $this->kinds = [$logs, $tests, $samples, $derived];
    }

    /**
     * @param  array<string, RetentionLimit>  $limits  by kind
     * @return list<array{kind: string, kept: list<Aged>, exceeding: list<Aged>}>
     */
    public function preview(array $limits): array
    {
        return array_map(function (Retained $kind) use ($limits): array {
            $kept = $kind->items();

            return ['kind' => $kind->name(), 'kept' => $kept, 'exceeding' => ($limits[$kind->name()] ?? self::none())->exceeding($kept)];
        }, $this->kinds);
    }

    /** Deletes what exceeds the limits of the settings. */
    public function apply(): void
    {
        $limits = RetentionSetting::limits((array) app(SetValues::class)->get('crate.retention'));
        foreach ($this->kinds as $kind) {
            $limit = $limits[$kind->name()] ?? self::none();
            if ($limit->days === null && $limit->gigabytes === null) {
                continue;
            }
            $ids = array_map(fn (Aged $one): string => $one->id, $limit->exceeding($kind->items()));
            // In chunks, since databases limit the parameters of a statement.
            foreach (array_chunk($ids, 500) as $some) {
                $kind->delete($some);
            }
        }
    }

    private static function none(): RetentionLimit
    {
        return new RetentionLimit(null, null);
    }
}
