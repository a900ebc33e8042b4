<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Pass;

/** One pass over a cut. */
final class EncodeCommand
{
    /** @param  string|null  $output  absolute path; null for a pass that writes no file */
    public static function of(Pass $pass, string $cut, ?string $output, Allowance $allowance = Allowance::Run): Command
    {
        return Command::encode($allowance, [
            // However many frames cannot be decoded, the others are made, and how many those are is told (Ends).
            '-max_error_rate',
            '1',
            ...Input::of($cut, $pass->input),
            ...$pass->arguments,
            $output === null ? '-' : 'file:'.$output,
            ...$pass->beside,
        ]);
    }
}
