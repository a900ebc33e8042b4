<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Findings;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Presets\Rules;

/** The one-step change that answers a finding: a patch of the output's edits. A null rule takes the edit of that cell back. */
final readonly class Remedy
{
    /**
     * @param  string  $text  what it will do, as said on the button
     * @param  array<string, mixed>  $patch  rules by cell
     * @param  string|null  $preset  slug of a preset that the output is to have in place of its own
     * @param  bool  $acceptHost  what the host asks now is taken note of
     */
    public function __construct(
        public string $text,
        public array $patch,
        public ?string $preset = null,
        public bool $acceptHost = false,
    ) {
    }

    public static function acceptingHost(string $text): self
    {
        return new self($text, [], acceptHost: true);
    }

    /**
     * Named values added to what the person changed in the cell already; they replace those that say the same otherwise.
     *
     * @param  array<string, mixed>  $parts
     */
    public static function adding(Plan $plan, string $text, string $cell, array $parts): self
    {
        return new self(
            $text,
            array_intersect_key((new Cells)->merge($plan->spec->edits, new Rules([$cell => $parts]))->rules, [$cell => null]),
        );
    }

    /** A file of at most so many bytes, where the codec can aim at a size. */
    public static function stayingUnder(Plan $plan, int $bytes): ?self
    {
        return in_array(BitrateMode::Vbr, $plan->video->codec->rateModes(), true)
            ? self::adding($plan, 'Stay under it', BitrateCell::NAME, [
                'mode' => 'vbr',
                'passes' => 2,
                'average' => ['bytes' => $bytes],
                'peak' => ['timesAverage' => 1.5],
            ])
            : null;
    }

    /** @return array<string, mixed> (resources/schema/finding.json) */
    public function toArray(): array
    {
        return ['text' => $this->text, 'patch' => (object) $this->patch] + ($this->preset === null ? [] : ['preset' => $this->preset])
            + ($this->acceptHost ? ['acceptHost' => true] : []);
    }
}
