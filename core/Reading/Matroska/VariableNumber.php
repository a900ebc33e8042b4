<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

/** A number that says by its first bits how many bytes it takes: identifiers and sizes of elements (RFC 8794, 4). */
final class VariableNumber
{
    /** @return array{?int, int} value without its marker (null when all ones, which is not known, or none begins here), and its end */
    public static function at(string $bytes, int $at): array
    {
        $first = ord($bytes[$at] ?? "\0");
        for ($length = 1; $length <= 8; $length++) {
            $marker = 1 << (8 - $length);
            if (($first & $marker) !== 0) {
                $value = $first & ($marker - 1);
                $allOnes = $value === $marker - 1;
                for ($i = 1; $i < $length; $i++) {
                    $byte = ord($bytes[$at + $i] ?? "\0");
                    $allOnes = $allOnes && $byte === 0xFF;
                    $value = ($value << 8) | $byte;
                }

                return [$allOnes ? null : $value, $at + $length];
            }
        }

        return [null, $at + 1];
    }
}
