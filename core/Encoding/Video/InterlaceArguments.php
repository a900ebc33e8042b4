<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\Picture\Scan;

/** What makes an intra encoder code fields and the file say which comes first. */
final class InterlaceArguments
{
    /** @return list<string> */
    public static function of(Scan $scan): array
    {
        $top = $scan === Scan::TopFieldFirst;

        return ['-flags:v', '+ildct', '-top', $top ? '1' : '0', '-field_order', $top ? 'tt' : 'bb'];
    }
}
