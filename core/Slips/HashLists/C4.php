<?php

declare(strict_types=1);

namespace OuterCrate\Slips\HashLists;

/** The name of some content after its SHA-512, in 90 letters and digits (SMPTE ST 2114:2017, C4 ID). */
final class C4
{
    private const DIGITS = '123456789ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz';

    private const LENGTH = 88;

    public static function of(string $content): string
    {
        $bytes = array_map(ord(...), str_split(hash('sha512', $content, true)));
        $id = '';
        while ($bytes !== []) {
            // Long division by 58, from the most significant byte on.
            [$rest, $quotient] = [0, []];
            foreach ($bytes as $byte) {
                $rest = $rest * 256 + $byte;
                $digit = intdiv($rest, 58);
                $rest %= 58;
                if ($quotient !== [] || $digit > 0) {
                    $quotient[] = $digit;
                }
            }
            $id = self::DIGITS[$rest].$id;
            $bytes = $quotient;
        }

        return 'c4'.str_pad($id, self::LENGTH, self::DIGITS[0], STR_PAD_LEFT);
    }
}
