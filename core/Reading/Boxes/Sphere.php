<?php

declare(strict_types=1);

namespace OuterCrate\Reading\Boxes;

/**
 * How a picture lies around the viewer: projection and stereo layout, from the boxes `sv3d` and `st3d` in the sample entry
 * (Spherical Video V2) or from the older XML in a `uuid` box of the track (Spherical Video V1).
 */
final readonly class Sphere
{
    public const XML_UUID = "\xFF\xCC\x82\x63\xF8\x55\x4A\x93\x88\x14\x58\x7A\x02\x52\x1F\xDD";

    public function __construct(public ?string $projection, public ?string $stereo)
    {
    }

    public static function fromXml(string $xml): ?self
    {
        // A few known elements are picked out; the text is never parsed as a document, so that it cannot name others.
        $tag = static fn (string $name): ?string => preg_match("~<(?:GSpherical:)?{$name}>\\s*([A-Za-z0-9-]{1,40})\\s*<~", $xml, $m) === 1
            ? strtolower($m[1])
            : null;
        if ($tag('Spherical') !== 'true' && $tag('ProjectionType') === null) {
            return null;
        }

        return new self(
            $tag('ProjectionType') ?? 'equirectangular',
            match ($tag('StereoMode')) {
                'top-bottom' => 'top-bottom',
                'left-right' => 'left-right',
                default => 'mono',
            },
        );
    }

    public static function stereo(int $mode): ?string
    {
        return [0 => 'mono', 1 => 'top-bottom', 2 => 'left-right', 4 => 'right-left'][$mode] ?? null;
    }
}
