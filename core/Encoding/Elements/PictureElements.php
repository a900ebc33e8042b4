<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Elements;

use OuterCrate\Formats\Containers\Matroska;
use OuterCrate\Formats\Containers\WebM;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\MasteringDisplay;

/** Elements of a Matroska picture's colour that the engine does not write: HDR10 metadata (RFC 9559, 5.1.4.1.28.24 to 40). */
final class PictureElements
{
    public const MASTERING = "\x55\xD0";

    public const MAX_CLL = "\x55\xBC";

    public const MAX_FALL = "\x55\xBD";

    /** All of them, one after the other; empty when the plan needs none, or its container has none. */
    public static function of(Plan $plan): string
    {
        $container = $plan->container->container;
        if (! $plan->hasVideo() || ! ($container instanceof Matroska || $container instanceof WebM)) {
            return '';
        }

        return self::mastering($plan->colour->mastering).self::light($plan->colour->light);
    }

    private static function mastering(?MasteringDisplay $display): string
    {
        if ($display?->points === null || $display->brightest === null) {
            return '';
        }
        $content = '';
        foreach (['red' => "\xD1", 'green' => "\xD3", 'blue' => "\xD5", 'white' => "\xD7"] as $name => $id) {
            [$x, $y] = $display->points[$name];
            $content .= Ebml::float("\x55{$id}", $x->toFloat()).Ebml::float("\x55".chr(ord($id) + 1), $y->toFloat());
        }
        $content .= Ebml::float("\x55\xD9", $display->brightest->toFloat());

        return Ebml::element(self::MASTERING, $content.Ebml::float("\x55\xDA", $display->darkest?->toFloat() ?? 0.0));
    }

    private static function light(?ContentLight $light): string
    {
        return $light === null
            ? ''
            : Ebml::unsigned(self::MAX_CLL, $light->brightestPixel).Ebml::unsigned(self::MAX_FALL, $light->brightestFrame);
    }
}
