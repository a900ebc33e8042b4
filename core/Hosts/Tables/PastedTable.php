<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/**
 * Rates that a host asks for, read from a table that was copied from its help page: what was understood, and what was not, for a
 * person to look at before anything is made of it.
 */
final class PastedTable
{
    /** A size and what stands behind it in one cell. */
    private const SIZE_FIRST = '~^((?:\d{3,4}\s*[pi]\d*|\d{3,4}\s*[x×]\s*\d{3,4}|[248]k|(?:ultra |full )?u?hd)(?:\s*\([^)]*\))?'
        .'(?:\s*(?:@|at)?\s*\d{2}\s*(?:fps|hz))?(?:\s*[hs]dr)?)\s+(\D*\d.*)$~iu';

    /** Longer words that stand in cells of rates; others make a heading. */
    private const WORDS_OF_RATES = '~[mkg]bits?|[mkg]bps|between|about|least|most|from|per second~i';

    /** @var list<TableFigure> */
    private array $figures = [];

    /** @var array<int, string> lines that say something that was not understood, by number */
    private array $remarks = [];

    /** @var array<int, ColumnWords> by column */
    private array $columns = [];

    /** @var array<int, int> shorter sides by column, where sizes stand in the heading */
    private array $sizes = [];

    /** What stands above the lines that follow. */
    private ColumnWords $section;

    private ?int $size = null;

    private function __construct(private readonly ?int $unit)
    {
        $this->section = new ColumnWords;
    }

    /** @return array{figures: list<TableFigure>, remarks: array<int, string>} */
    public static function read(string $text): array
    {
        $lines = Cells::of($text);
        $table = new self(self::unitOfAll($lines));
        foreach ($lines as $number => $cells) {
            $table->line($number, $cells);
        }

        return ['figures' => $table->joined(), 'remarks' => $table->remarks];
    }

    /**
     * A line of one cell, wherever it stands, may say the unit of all.
     *
     * @param  array<int, list<string>>  $lines
     */
    private static function unitOfAll(array $lines): ?int
    {
        foreach ($lines as $cells) {
            $said = array_values(array_filter($cells, static fn (string $cell): bool => $cell !== ''));
            if (count($said) === 1 && preg_match('~\d~', $said[0]) !== 1 && RateWords::unit($said[0]) !== null) {
                return RateWords::unit($said[0]);
            }
        }

        return null;
    }

    /** @param  list<string>  $cells */
    private function line(int $number, array $cells): void
    {
        if (count(array_filter($cells, static fn (string $cell): bool => $cell !== '')) === 1) {
            $cells = array_values(array_filter($cells, static fn (string $cell): bool => $cell !== ''));
            $cells = preg_match(self::SIZE_FIRST, $cells[0], $m) === 1 ? [$m[1], $m[2]] : $cells;
        }
        $sizes = [];
        foreach ($cells as $i => $cell) {
            // A bare number names a size in front of the others, and is a rate among them.
            $sizes[$i] = SizeWords::in($cell, $i === 0);
        }
        $sizes = array_filter($sizes, static fn (?int $size): bool => $size !== null);
        match (true) {
            count($cells) === 1 => $this->alone($number, $cells[0]),
            $this->figures === [] && count($sizes) > 1 && ! $this->holdsRates($cells, array_key_first($sizes)) => $this->sizes = $sizes,
            $this->sizes !== [] => $this->across($number, $cells),
            ! $this->holdsRates($cells, array_key_first($sizes) ?? 0) && ($sizes === [] || $this->figures === []) => $this->head($cells),
            default => $this->row($number, $cells, array_key_first($sizes)),
        };
    }

    /** @param  list<string>  $cells */
    private function holdsRates(array $cells, int $label): bool
    {
        unset($cells[$label]);
        foreach ($cells as $cell) {
            $plain = preg_replace('~\([^)]*\)~u', '', $cell) ?? $cell;
            $words = preg_replace(self::WORDS_OF_RATES, '', $plain) ?? $plain;
            $isSize = SizeWords::in($plain, false) !== null;
            $isHeading = $isSize || ColumnWords::of($plain)->high !== null || preg_match('~[a-z]{4,}~i', $words) === 1;
            if (! $isHeading && RateWords::of($plain, $this->unit) !== null) {
                return true;
            }
        }

        return false;
    }

    private function alone(int $number, string $cell): void
    {
        $size = SizeWords::in($cell);
        $words = ColumnWords::of($cell);
        if ($size !== null && mb_strlen($cell) < 40) {
            $this->size = $size;
        } elseif ($words->high !== null || $words->hdr !== null || ($words->unit !== null && $this->figures === [])) {
            $this->section = $words;
            $this->size = null;
        } elseif ($words->unit === null || $this->figures !== []) {
            $this->remarks[$number] = $cell;
        }
    }

    /** @param  list<string>  $cells  a heading, or the second line of one */
    private function head(array $cells): void
    {
        $above = new ColumnWords;
        $columns = [];
        foreach ($cells as $i => $cell) {
            // A heading over several columns stands over the first of them.
            $above = $cell === '' ? $above : ColumnWords::of($cell);
            $before = $this->columns[$i] ?? null;
            $columns[$i] = $cell === '' && $before !== null ? $before : $above->within($before ?? new ColumnWords);
        }
        foreach ($this->columns as $i => $words) {
            $columns[$i] ??= $words;
        }
        $this->columns = $columns;
    }

    /** @param  list<string>  $cells */
    private function row(int $number, array $cells, ?int $at): void
    {
        $size = $at === null ? $this->size : SizeWords::in($cells[$at]);
        $label = ColumnWords::of($cells[$at ?? 0]);
        foreach ($cells as $i => $cell) {
            if ($i !== ($at ?? 0)) {
                $this->figure($number, $cell, $size, $label->within($this->columns[$i] ?? new ColumnWords));
            }
        }
    }

    /** @param  list<string>  $cells  of a line whose sizes stand in the heading */
    private function across(int $number, array $cells): void
    {
        $label = ColumnWords::of($cells[0]);
        foreach ($this->sizes as $i => $size) {
            $this->figure($number, $cells[$i] ?? '', $size, $label);
        }
    }

    private function figure(int $number, string $cell, ?int $size, ColumnWords $column): void
    {
        $words = ColumnWords::of($cell)->within($column)->within($this->section);
        if ($words->other || preg_match('~^[\s–—-]*$|^n/?a$~iu', $cell) === 1) {
            return;
        }
        $rate = RateWords::of($cell, $column->unit ?? $this->section->unit ?? $this->unit);
        if ($rate === null || $size === null) {
            $this->remarks[$number] = $cell;

            return;
        }
        $this->figures[] = new TableFigure(
            line: $number,
            text: $cell,
            shorterSide: $size,
            forHigh: $words->high,
            forHdr: $words->hdr,
            low: $column->end === 'high' ? null : $rate->low,
            high: $column->end === 'low' ? null : $rate->high,
            guessed: $rate->guessed,
        );
    }

    /** @return list<TableFigure> with a lower and an upper end of the same made one */
    private function joined(): array
    {
        $joined = [];
        foreach ($this->figures as $figure) {
            $last = $joined === [] ? null : $joined[count($joined) - 1];
            $goesOn = $last !== null && $last->line === $figure->line && $last->isForSameAs($figure);
            if ($goesOn && $last->high === null && $figure->low === null) {
                $joined[count($joined) - 1] = $last->upTo($figure);
            } else {
                $joined[] = $figure;
            }
        }

        return $joined;
    }
}
