<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** Named values of a rule that say the same thing in different ways, so that one replaces the others and what goes with them. */
final readonly class Way
{
    /**
     * @param  list<string>  $keys  that replace each other
     * @param  list<string>  $with  that belong to them
     * @param  bool  $unlessSame  the first key said again with the same value replaces nothing
     */
    public function __construct(private array $keys, private array $with = [], private bool $unlessSame = false)
    {
    }

    /** @return list<string> */
    public function all(): array
    {
        return [...$this->keys, ...$this->with];
    }

    /**
     * What stays of a rule under an edit.
     *
     * @param  array<mixed>  $rule
     * @param  array<mixed>  $edit
     * @return array<mixed>
     */
    public function under(array $rule, array $edit): array
    {
        $said = array_intersect_key($edit, array_flip($this->keys)) !== [];
        $same = $this->unlessSame && $said && ($edit[$this->keys[0]] ?? null) === ($rule[$this->keys[0]] ?? null);

        return $said && ! $same ? array_diff_key($rule, array_flip([...$this->keys, ...$this->with])) : $rule;
    }
}
