<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Packets;

/** One packet of a file, as the prober lists it. */
final readonly class Packet
{
    /** Fields of a line, in the prober's order. */
    public const FIELDS = 'stream_index,pts_time,dts_time,duration_time,size,flags';

    /**
     * @param  float|null  $shown  time of presentation in seconds
     * @param  float|null  $decoded  time of decoding in seconds
     * @param  float|null  $lasts  seconds
     * @param  int  $bytes  of media
     * @param  bool  $hidden  it is decoded and not shown
     */
    public function __construct(
        public int $stream,
        public ?float $shown,
        public ?float $decoded,
        public ?float $lasts,
        public int $bytes,
        public bool $keyframe,
        public bool $hidden = false,
    ) {
    }

    /** Reads a line `stream,pts,dts,duration,size,flags`; null for anything else. */
    public static function ofLine(string $line): ?self
    {
        $fields = explode(',', trim($line));
        if (count($fields) < 6 || ! ctype_digit($fields[0]) || ! ctype_digit($fields[4])) {
            return null;
        }
        $seconds = static fn (string $field): ?float => is_numeric($field) ? (float) $field : null;

        return new self(
            stream: (int) $fields[0],
            shown: $seconds($fields[1]),
            decoded: $seconds($fields[2]),
            lasts: $seconds($fields[3]),
            bytes: (int) $fields[4],
            keyframe: str_contains($fields[5], 'K'),
            hidden: str_contains($fields[5], 'D'),
        );
    }
}
