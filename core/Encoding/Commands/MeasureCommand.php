<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

/** Measures a segment of a cut; what it writes lies in the working folder. */
final class MeasureCommand
{
    public static function of(MeasuringPass $pass, string $cut): Command
    {
        $inputs = array_map(static fn (array $options): array => Input::of($cut, $options), $pass->inputs());

        return Command::encode(Allowance::Analysis, [...array_merge(...$inputs), ...$pass->arguments()]);
    }
}
