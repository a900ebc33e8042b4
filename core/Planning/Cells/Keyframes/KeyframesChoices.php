<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Keyframes;

use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;

/** The usual structures of a stream. */
final class KeyframesChoices
{
    /** Seconds → what they are good for. */
    private const USUAL = [1 => 'Seeks well', 2 => 'Usual for uploads', 4 => 'Smaller, seeks worse'];

    /** @return list<Choice> */
    public static function all(): array
    {
        $choices = [new Choice('As the host asks', '2 s, closed, where it says nothing', 'host')];
        foreach (self::USUAL as $seconds => $about) {
            $rule = ['seconds' => $seconds, 'closed' => true, 'bFrames' => 2];
            $choices[] = new Choice("Every {$seconds} s · closed · 2 B", $about, $rule);
        }
        $simple = ['seconds' => 2, 'closed' => true, 'bFrames' => 0];
        $choices[] = new Choice('Every 2 s · closed · no B', 'For old or simple players', $simple);

        return $choices;
    }

    /** @return list<Part> */
    public static function parts(): array
    {
        return [
            Part::number('seconds', 'Every', 's', KeyframesSchema::seconds()),
            Part::number('bFrames', 'B-frames', '', KeyframesSchema::bFrames()),
            Part::number('references', 'References', '', KeyframesSchema::references(), 'Empty leaves it to the encoder'),
            Part::switched('closed', 'Closed', 'No frame looks across a keyframe'),
            Part::switched('pyramid', 'Pyramid', 'B-frames refer to B-frames'),
            Part::switched('sceneCuts', 'At scene cuts too'),
        ];
    }
}
