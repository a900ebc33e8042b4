<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Matroska;

use OuterCrate\Reading\Packets\Packet;

/** The packets of the picture in a Matroska file from the headers of its blocks: what the prober would list, without asking it. */
final class PictureBlocks
{
    private const HEAD = 0x1A45DFA3;

    private const SEGMENT = 0x18538067;

    private const INFO = 0x1549A966;

    private const SCALE = 0x2AD7B1;

    private const TRACKS = 0x1654AE6B;

    private const CLUSTER = 0x1F43B675;

    private const TIMESTAMP = 0xE7;

    private const SIMPLE_BLOCK = 0xA3;

    private const GROUP = 0xA0;

    private const BLOCK = 0xA1;

    private const REFERENCE = 0xFB;

    private const DURATION = 0x9B;

    /** Nanoseconds of a tick where a file does not say (RFC 9559, 5.1.2.9). */
    private const USUAL_SCALE = 1_000_000;

    /** Flags of a block (RFC 9559, 10.1 and 10.2): a keyframe, frames that share it. */
    private const KEYFRAME = 0x80;

    private const LACING = 0x06;

    /** Bytes of the longest head of a block: eight of the track's number, two of its time, one of flags. */
    private const BLOCK_HEAD = 11;

    private int $scale = self::USUAL_SCALE;

    private ?PictureTrack $track = null;

    /** @var list<Packet> */
    private array $packets = [];

    private function __construct(private readonly ElementReader $reader)
    {
    }

    /**
     * @param  resource  $stream  seekable, opened for reading
     * @param  int  $bytes  of the file
     * @return list<Packet>|null in the order of decoding; null where the blocks do not tell: another container, a file that is cut off or
     *     was never finished, more pictures than one, one that is packed or encrypted
     */
    public static function of($stream, int $bytes): ?array
    {
        $own = new self(new ElementReader($stream, $bytes));

        return $own->walk() && $own->reader->isSound ? $own->packets : null;
    }

    private function walk(): bool
    {
        $isMatroska = false;
        foreach ($this->reader->outermost() as $element) {
            // What lies behind the first segment is another file's, as far as the prober goes.
            if ($isMatroska && $element->id === self::SEGMENT) {
                return $this->segment($element);
            }
            if (! $isMatroska && $element->id !== self::HEAD) {
                return false;
            }
            $isMatroska = true;
        }

        return false;
    }

    private function segment(Element $segment): bool
    {
        foreach ($this->reader->children($segment) as $element) {
            match ($element->id) {
                self::INFO => $this->info($element),
                self::TRACKS => $this->track = PictureTrack::of($this->reader, $element),
                default => null,
            };
            if ($element->id === self::CLUSTER && ! ($this->track !== null && $this->cluster($element, $this->track))) {
                return false;
            }
        }

        return $this->track !== null;
    }

    private function info(Element $info): void
    {
        foreach ($this->reader->children($info) as $element) {
            if ($element->id === self::SCALE) {
                $this->scale = max(1, $this->reader->unsigned($element));
            }
        }
    }

    private function cluster(Element $cluster, PictureTrack $track): bool
    {
        $begins = 0;
        foreach ($this->reader->children($cluster) as $element) {
            if ($element->id === self::TIMESTAMP) {
                $begins = $this->reader->unsigned($element);
            } elseif ($element->id === self::SIMPLE_BLOCK || $element->id === self::GROUP) {
                $told = $element->id === self::GROUP ? $this->group($element) : [$element, null, null];
                if (! $this->block($track, $begins, ...$told)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @return array{?Element, ?bool, ?int} the block of a group, whether it is a keyframe, and ticks that it lasts */
    private function group(Element $group): array
    {
        $block = $lasts = null;
        $isKeyframe = true;
        foreach ($this->reader->children($group) as $element) {
            match ($element->id) {
                self::BLOCK => $block = $element,
                self::DURATION => $lasts = $this->reader->unsigned($element),
                self::REFERENCE => $isKeyframe = false,
                default => null,
            };
        }

        return [$block, $isKeyframe, $lasts];
    }

    /**
     * @param  int  $begins  ticks, of the cluster
     * @param  bool|null  $isKeyframe  null where the block says so itself
     * @param  int|null  $lasts  ticks; null where it does not say
     */
    private function block(PictureTrack $track, int $begins, ?Element $block, ?bool $isKeyframe, ?int $lasts): bool
    {
        $head = $block === null ? '' : $this->reader->content($block, self::BLOCK_HEAD);
        [$number, $width] = VariableNumber::at($head, 0);
        if ($block === null || $number === null || strlen($head) < $width + 3) {
            return false;
        }
        if ($number !== $track->number) {
            return true;
        }
        $late = ord($head[$width]) << 8 | ord($head[$width + 1]);
        $flags = ord($head[$width + 2]);
        // A file counts in its ticks, also where it knows the length of a frame more exactly.
        $lasts ??= $track->lasts === null ? null : intdiv($track->lasts, $this->scale);
        $this->packets[] = new Packet(
            stream: 0,
            shown: $this->seconds($begins + ($late >= 0x8000 ? $late - 0x10000 : $late)),
            decoded: null,
            lasts: $lasts === null ? null : $this->seconds($lasts),
            bytes: $block->bytes() - $width - 3,
            keyframe: $isKeyframe ?? ($flags & self::KEYFRAME) !== 0,
        );

        return ($flags & self::LACING) === 0;
    }

    private function seconds(int $ticks): float
    {
        return $ticks * $this->scale / 1e9;
    }
}
