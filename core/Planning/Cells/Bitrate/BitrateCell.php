<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Cells\Help;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Cells\SaysRule;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;

/** How bits are spent on the picture. */
final readonly class BitrateCell implements Cell, Explains, SaysRule
{
    use PlainCell;

    public const NAME = BitrateValue::CELL;

    public function label(): string
    {
        return 'Bitrate';
    }

    public function decide(Draft $draft): void
    {
        (new DecideBitrate)->decide($draft);
    }

    /** The level, which limits the buffer, is known only now. */
    public function settle(Draft $draft): void
    {
        $draft->refine(self::NAME, (new DecideBuffer)->of($draft, $draft->bitrate()));
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return (string) ($reading->mainVideo()->bitrate ?? $reading->videoBitrate());
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareBitrate::found($made, $planned);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareBitrate::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->bitrate->wordsFor($plan->frameSize->frame, $plan->frameRate->rate, $plan->colour->colour->isHdr());
    }

    /** @return array<mixed> */
    public function fixed(Plan $plan): array
    {
        $value = $plan->bitrate;
        $rule = ['mode' => $value->mode->value];
        if ($value->mode->hasAverage() && $value->average !== null) {
            $passes = $value->mode === BitrateMode::Vbr ? ['passes' => $value->passes] : [];
            $rule += $passes + ['average' => ['kbps' => $value->average->bitsPerSecond / 1000]];
        }
        if ($value->quality !== null) {
            $rule += ['quality' => $value->quality];
        }
        if ($value->peak !== null && $value->mode !== BitrateMode::Cbr) {
            $rule += ['peak' => ['kbps' => $value->peak->bitsPerSecond / 1000]];
        }
        $buffer = $plan->rules->fields(self::NAME)->within('buffer')->all();

        return $rule + ($buffer === [] ? [] : ['buffer' => $buffer]);
    }

    public function inWords(Fields $rule): string
    {
        return BitrateWords::of($rule);
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $half = new ByteCount(intdiv($bytes, 2));

        return new Help(
            'How many bits a second of picture may take: nearly all of the size of the file, and of the time to send it.',
            $plan->bitrate->average === null
                ? 'About '.new ByteCount($bytes).', as the picture needs'
                : "{$plan->bitrate->average} is {$plan->bitsPerPixel()} bits a pixel; half of it makes about {$half}",
            'Too few: blocks in grain and in the dark. Too many: only longer to send.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): BitrateValue
    {
        return BitrateValue::fromArray($value);
    }

    public function ruleSchema(): array
    {
        return BitrateSchema::rule();
    }

    public function valueSchema(): array
    {
        return BitrateSchema::value();
    }
}
