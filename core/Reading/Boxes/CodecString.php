<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

/** The `codecs` parameter of RFC 6381 for one track, from the configuration in its sample entry. */
final class CodecString
{
    /**
     * @param  string  $entry  four-character code of the sample entry
     * @param  array<string, string>  $configurations  content of the entry's boxes by type
     */
    public static function of(string $entry, array $configurations): ?string
    {
        return match (true) {
            isset($configurations['avcC']) => self::avc($entry, $configurations['avcC']),
            isset($configurations['hvcC']) => self::hevc($entry, $configurations['hvcC']),
            isset($configurations['vpcC']) => self::vp($entry, $configurations['vpcC']),
            isset($configurations['av1C']) => self::av1($configurations['av1C']),
            isset($configurations['esds']) => self::mpeg4($entry, $configurations['esds']),
            preg_match('~^[\x21-\x7E][\x20-\x7E]{3}$~', $entry) === 1 => rtrim($entry),
            default => null,
        };
    }

    /** RFC 6381, 3.3: profile, constraint flags and level, two hexadecimal digits each. */
    private static function avc(string $entry, string $c): ?string
    {
        return strlen($c) < 4 || $c[0] !== "\x01" ? null : $entry.'.'.strtoupper(bin2hex(substr($c, 1, 3)));
    }

    /** ISO/IEC 14496-15, E.3: profile space and profile, compatibility flags in reverse bit order, tier and level, constraints. */
    private static function hevc(string $entry, string $c): ?string
    {
        if (strlen($c) < 13) {
            return null;
        }
        $first = ord($c[1]);
        $space = ['', 'A', 'B', 'C'][$first >> 6];
        $reversed = bindec(strrev(str_pad(decbin(BoxReader::number($c, 2, 4)), 32, '0', STR_PAD_LEFT)));
        $constraints = rtrim(bin2hex(substr($c, 6, 6)), '0');
        $constraints =
            $constraints === ''
                ? ''
                : '.'.
                    implode(
                        '.',
                        array_map(
                            static fn (string $byte): string => strtoupper(ltrim(str_pad($byte, 2, '0'), '0') ?: '0'),
                            str_split($constraints, 2),
                        ),
                    );

        return "{$entry}.{$space}".
            ($first & 31).
            '.'.
            strtoupper(dechex((int) $reversed)).
            '.'.
            (($first & 32) !== 0 ? 'H' : 'L').
            ord($c[12]).
            $constraints;
    }

    /** VP codec ISO media file format binding 1.0: profile, level and bit depth in two digits. */
    private static function vp(string $entry, string $c): ?string
    {
        return strlen($c) < 7 ? null : sprintf('%s.%02d.%02d.%02d', $entry, ord($c[4]), ord($c[5]), ord($c[6]) >> 4);
    }

    /** AV1 codec ISO media file format binding 1.2, 5: profile, level with tier, bit depth. */
    private static function av1(string $c): ?string
    {
        if (strlen($c) < 3) {
            return null;
        }
        $flags = ord($c[2]);
        $depth = ($flags & 64) === 0 ? 8 : (($flags & 32) === 0 ? 10 : 12);

        return sprintf('av01.%d.%02d%s.%02d', ord($c[1]) >> 5, ord($c[1]) & 31, ($flags & 128) === 0 ? 'M' : 'H', $depth);
    }

    /** RFC 6381, 3.3: object type of ISO/IEC 14496-1, and for MPEG-4 audio the audio object type of ISO/IEC 14496-3. */
    private static function mpeg4(string $entry, string $esds): string
    {
        $at = 4;
        $object = null;
        for ($i = 0; $i < 8 && $at < strlen($esds); $i++) {
            $tag = ord($esds[$at++]);
            do {
                $byte = ord($esds[$at] ?? "\0");
                $at++;
            } while (($byte & 0x80) !== 0 && $at < strlen($esds));
            if ($tag === 3) {
                $at += 3;
            } elseif ($tag === 4) {
                $object = ord($esds[$at] ?? "\0");
                $at += 13;
            } elseif ($tag === 5) {
                $type = ord($esds[$at] ?? "\0") >> 3;
                if ($type === 31) {
                    $type = 32 + ((BoxReader::number($esds, $at, 2) >> 5) & 63);
                }

                return $object === 0x40 ? "{$entry}.40.{$type}" : "{$entry}.".dechex((int) $object);
            } else {
                break;
            }
        }

        return $object === null ? $entry : "{$entry}.".dechex($object);
    }
}
