<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\File;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Cells\Help;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\FileValue;
use OuterCrate\Reading\Reading;

/** What the file is called, and the folder it lies in. */
final readonly class FileCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = FileValue::CELL;

    public function label(): string
    {
        return 'Name';
    }

    public function isOfPicture(): bool
    {
        return false;
    }

    public function decide(Draft $draft): void
    {
        (new DecideFile)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return $file;
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareFile::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareFile::differences($planned, $made);
    }

    public function parts(bool $hardware): array
    {
        return FileChoices::parts();
    }

    public function help(Plan $plan, int $bytes): Help
    {
        return new Help(
            'What the file will be called, and its folder. Nothing is written over: where a name is taken, a version is counted.',
            $plan->file->path(),
            'A name that says “final” is true only once.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): FileValue
    {
        return FileValue::fromArray($value);
    }

    public function ruleSchema(): array
    {
        return FileSchema::rule();
    }

    public function valueSchema(): array
    {
        return FileSchema::value();
    }
}
