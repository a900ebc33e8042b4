<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

use OuterCrate\Reading\Packets\FrameOrder;

/**
 * What the boxes of a movie say beyond the prober: brands, codec strings, 360 layout, times and keyframes of every sample, and
 * whether the file leans on others or is encrypted.
 */
final class MovieBoxes
{
    private const MOST_TRACKS = 64;

    /** Where the boxes of a sample entry begin, after its fixed fields (ISO/IEC 14496-12, 12.1.3 and 12.2.3). */
    private const VISUAL_FIELDS = 78;

    private const SOUND_FIELDS = 28;

    /** A sound entry of version 1 of the QuickTime file format carries four more fields. */
    private const OLD_SOUND_FIELDS = 44;

    private readonly BoxReader $boxes;

    /** Ticks per second of the movie, in which edits are measured. */
    private int $movieTimescale = 0;

    /** @param  resource  $stream seekable, opened for reading */
    private function __construct($stream, int $bytes)
    {
        $this->boxes = new BoxReader($stream, $bytes);
    }

    /**
     * @param  resource  $stream  seekable, opened for reading
     * @return array{brands: list<string>, encrypted: bool, external: bool, tracks: list<array<string, mixed>>} as it is kept with the cut
     */
    public static function of($stream, int $bytes): array
    {
        return (new self($stream, $bytes))->read();
    }

    /** @return array{brands: list<string>, encrypted: bool, external: bool, tracks: list<array<string, mixed>>} */
    private function read(): array
    {
        $brands = [];
        $tracks = [];
        $external = false;
        foreach ($this->boxes->outermost() as $box) {
            if ($box->type === 'ftyp') {
                $content = $this->boxes->content($box, 0, 256);
                $brands = array_values(array_unique(array_filter(
                    [substr($content, 0, 4), ...str_split(substr($content, 8), 4)],
                    static fn (string $brand): bool => preg_match('~^[\x20-\x7E]{4}$~', $brand) === 1 && trim($brand) !== '',
                )));
            } elseif ($box->type === 'moov') {
                foreach ($this->boxes->children($box) as $child) {
                    $this->movieTimescale = $child->type === 'mvhd' ? $this->boxes->ticks($child) : $this->movieTimescale;
                    // A reference movie (QuickTime file format) names other files to play in its stead.
                    $external = $external || $child->type === 'rmra';
                    if ($child->type === 'trak' && count($tracks) < self::MOST_TRACKS) {
                        $tracks[] = $this->track($child);
                    }
                }
            }
        }

        return [
            'brands' => $brands,
            'encrypted' => in_array(true, array_column($tracks, 'encrypted'), true),
            'external' => $external || in_array(true, array_column($tracks, 'external'), true),
            'tracks' => $tracks,
        ];
    }

    /** @return array<string, mixed> */
    private function track(Box $track): array
    {
        $header = $this->boxes->find($track, 'tkhd');
        $media = $this->boxes->find($track, 'mdia');
        $table = $media === null ? null : $this->boxes->find($media, 'minf/stbl');
        $handler = $media === null ? null : $this->boxes->find($media, 'hdlr');
        $kind = $handler === null ? '' : $this->boxes->content($handler, 8, 4);
        $entry = $table === null ? null : $this->entry($table, $kind);
        $order = $kind === 'vide' && $table !== null ? $this->order($track, $table, $this->timescale($media)) : null;
        $sphere = $entry['sphere'] ?? $this->oldSphere($track);

        return [
            'id' => $header === null ? 0 : $this->trackId($header),
            'entry' => mb_convert_encoding($entry['type'] ?? '', 'UTF-8', 'ISO-8859-1'),
            'codecs' => $entry['codecs'] ?? null,
            'encrypted' => $entry['encrypted'] ?? false,
            'external' => $media !== null && $this->isExternal($media),
            'projection' => $sphere->projection ?? null,
            'stereo' => $sphere->stereo ?? $entry['stereo'] ?? null,
            'gop' => $order?->gop()?->toArray(),
            'times' => $order?->times()->toArray(),
        ];
    }

    private function order(Box $track, Box $table, int $timescale): ?FrameOrder
    {
        $edit = EditList::of($this->boxes, $track, $timescale, $this->movieTimescale);

        return $edit === null ? null : SampleTable::order($this->boxes, $table, $timescale, $edit);
    }

    private function trackId(Box $header): int
    {
        $content = $this->boxes->content($header, 0, 24);

        return ord($content[0] ?? "\0") === 1 ? BoxReader::number($content, 20, 4) : BoxReader::number($content, 12, 4);
    }

    private function timescale(Box $media): int
    {
        $header = $this->boxes->find($media, 'mdhd');

        return $header === null ? 0 : $this->boxes->ticks($header);
    }

    /** A data reference whose flag says that the media lie in another file (ISO/IEC 14496-12, 8.7.2). */
    private function isExternal(Box $media): bool
    {
        $references = $this->boxes->find($media, 'minf/dinf/dref');
        foreach ($references === null ? [] : $this->boxes->children($references, 8) as $reference) {
            $selfContained = (BoxReader::number($this->boxes->content($reference, 0, 4), 0, 4) & 1) === 1;
            // An alias of an older recorder is often empty and means nothing.
            if (! $selfContained && $reference->bytes() > 4) {
                return true;
            }
        }

        return false;
    }

    /** @return array{type: string, codecs: ?string, encrypted: bool, stereo: ?string, sphere: ?Sphere}|null */
    private function entry(Box $table, string $kind): ?array
    {
        $descriptions = $this->boxes->find($table, 'stsd');
        $entry = $descriptions === null ? null : ($this->boxes->children($descriptions, 8)[0] ?? null);
        if ($entry === null) {
            return null;
        }
        $skip = match ($kind) {
            'vide' => self::VISUAL_FIELDS,
            'soun' => BoxReader::number($this->boxes->content($entry, 8, 2), 0, 2) === 1 ? self::OLD_SOUND_FIELDS : self::SOUND_FIELDS,
            default => null,
        };
        $encrypted = in_array($entry->type, ['encv', 'enca', 'drmi', 'drms'], true);
        $configurations = [];
        $sphere = null;
        $stereo = null;
        foreach ($skip === null ? [] : $this->boxes->children($entry, $skip) as $child) {
            if ($child->type === 'wave') {
                // The QuickTime file format wraps the decoder's configuration once more.
                foreach ($this->boxes->children($child) as $wrapped) {
                    $configurations[$wrapped->type] ??= $this->boxes->content($wrapped, 0, 512);
                }
            } elseif ($child->type === 'sv3d') {
                $sphere = $this->sphere($child);
            } elseif ($child->type === 'st3d') {
                $stereo = Sphere::stereo(BoxReader::number($this->boxes->content($child, 4, 1), 0, 1));
            } else {
                $configurations[$child->type] ??= $this->boxes->content($child, 0, 512);
            }
        }

        return [
            'type' => $entry->type,
            'codecs' => $encrypted ? null : CodecString::of($entry->type, $configurations),
            'encrypted' => $encrypted || isset($configurations['sinf']),
            'stereo' => $stereo,
            'sphere' => $sphere === null ? null : new Sphere($sphere, $stereo ?? 'mono'),
        ];
    }

    private function sphere(Box $sv3d): ?string
    {
        $projection = $this->boxes->find($sv3d, 'proj');
        foreach ($projection === null ? [] : $this->boxes->children($projection) as $child) {
            $known = ['equi' => 'equirectangular', 'cbmp' => 'cubemap', 'mshp' => 'mesh'][$child->type] ?? null;
            if ($known !== null) {
                return $known;
            }
        }

        return null;
    }

    private function oldSphere(Box $track): ?Sphere
    {
        foreach ($this->boxes->children($track) as $child) {
            if ($child->type === 'uuid' && $this->boxes->content($child, 0, 16) === Sphere::XML_UUID) {
                return Sphere::fromXml($this->boxes->content($child, 16, 8192));
            }
        }

        return null;
    }
}
