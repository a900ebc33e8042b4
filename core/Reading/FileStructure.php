<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Reading\Matroska\VariableNumber;

/**
 * What the outermost structure of a file says, without decoding: whether all of it is there, and in which order it lies.
 */
final readonly class FileStructure
{
    private const MOST_BOXES = 100_000;

    private function __construct(
        public ?bool $fastStart = null,
        public ?int $expectedBytes = null,
        public bool $indexMissing = false,
        public bool $playlist = false,
        public bool $isoBaseMedia = false,
        public ?string $docType = null,
    ) {
    }

    /**
     * Looks at the head of the stream and steps over its top-level parts.
     *
     * @param  resource  $stream  seekable, opened for reading
     * @param  int  $bytes  length of the stream
     */
    public static function of($stream, int $bytes): self
    {
        rewind($stream);
        $head = (string) fread($stream, 4096);
        $text = ltrim($head, "\xEF\xBB\xBF \t\r\n");

        return match (true) {
            preg_match(
                '~^(#EXTM3U|ffconcat|\[playlist\]|<\?xml[^>]*>\s*<(MPD|smil|playlist|asx)|<(MPD|smil|asx)\b|\[Reference\]|RTSPtext)~i',
                $text,
            ) === 1 => new self(playlist: true),
            self::looksLikeBoxes($head) => self::boxes($stream, $bytes),
            str_starts_with($head, 'RIFF') && strlen($head) >= 12 => self::riff($head),
            str_starts_with($head, "\x1A\x45\xDF\xA3") => self::matroska($head),
            default => new self(),
        };
    }

    private static function looksLikeBoxes(string $head): bool
    {
        return in_array(substr($head, 4, 4), ['ftyp', 'moov', 'mdat', 'wide', 'free', 'skip', 'pnot'], true);
    }

    /**
     * ISO base media (ISO/IEC 14496-12, 4.2): size, type, and a 64-bit size where the first is 1; 0 means to the end.
     *
     * @param  resource  $stream
     */
    private static function boxes($stream, int $bytes): self
    {
        $position = 0;
        $movie = null;
        $media = null;
        $fragmented = false;
        for ($i = 0; $i < self::MOST_BOXES && $position + 8 <= $bytes; $i++) {
            fseek($stream, $position);
            $header = (string) fread($stream, 16);
            if (strlen($header) < 8) {
                break;
            }
            $size = self::bigEndian(substr($header, 0, 4));
            if ($size === 1 && strlen($header) === 16) {
                $size = self::bigEndian(substr($header, 8, 8));
            } elseif ($size === 0) {
                $size = $bytes - $position;
            }
            if ($size < 0 || $size > PHP_INT_MAX - $position) {
                // No file is that long: what a box of 64 bits claims is not there.
                $position = PHP_INT_MAX;
                break;
            }
            if ($size < 8) {
                break;
            }
            match (substr($header, 4, 4)) {
                'moov' => ($movie ??= $position),
                'mdat' => ($media ??= $position),
                'moof' => ($fragmented = true),
                default => null,
            };
            $position += $size;
        }

        return new self(
            fastStart: $movie === null || $media === null ? null : $movie < $media,
            expectedBytes: $position > $bytes ? $position : null,
            indexMissing: $movie === null && ! $fragmented,
            isoBaseMedia: true,
        );
    }

    /** RIFF states its length less 8 after the tag; zero and all ones are written by recorders that never finished. */
    private static function riff(string $head): self
    {
        $size = unpack('V', substr($head, 4, 4));
        $length = is_array($size) && is_int($size[1]) ? $size[1] : 0;

        return $length === 0 || $length === 0xFFFFFFFF ? new self() : new self(expectedBytes: $length + 8);
    }

    /** Matroska (RFC 9559): the EBML header, then a Segment whose size may be unknown (RFC 8794, 6.2). */
    private static function matroska(string $head): self
    {
        [$headerSize, $after] = VariableNumber::at($head, 4);
        if ($headerSize === null) {
            return new self();
        }
        $segment = $after + $headerSize;
        // EBML DocType (RFC 8794, 11.2.6): "matroska", or "webm" for the part of it that is made for the web.
        $docType = preg_match('~\x42\x82[\x84-\x88]([a-z]{4,8})~', substr($head, $after, min($headerSize, 256)), $m) === 1 ? $m[1] : null;
        if (substr($head, $segment, 4) !== "\x18\x53\x80\x67") {
            return new self(docType: $docType);
        }
        [$size, $start] = VariableNumber::at($head, $segment + 4);

        return new self(expectedBytes: $size === null ? null : $start + $size, docType: $docType);
    }

    private static function bigEndian(string $bytes): int
    {
        $value = 0;
        foreach (str_split($bytes) as $byte) {
            $value = ($value << 8) | ord($byte);
        }

        return $value < 0 ? PHP_INT_MAX : $value;
    }
}
