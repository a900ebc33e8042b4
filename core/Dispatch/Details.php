<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

use OuterCrate\Json\Fields;

/** What is said of a video at its host. */
final readonly class Details
{
    /**
     * @param  list<string>  $tags
     * @param  string  $language  BCP 47; empty where it is not said
     * @param  array<string, bool>  $declarations  answers, by Declaration; those not given were not answered
     */
    public function __construct(
        public string $title = '',
        public string $description = '',
        public array $tags = [],
        public string $category = '',
        public string $language = '',
        public string $licence = '',
        public array $declarations = [],
    ) {
    }

    /** @param  array<string, mixed>  $from  as toArray() gives it; what is not there is empty */
    public static function fromArray(array $from): self
    {
        $fields = new Fields($from);
        $answers = [];
        foreach (Declaration::cases() as $case) {
            $given = $fields->within('declarations')->bool($case->value);
            $given === null ?: $answers[$case->value] = $given;
        }

        return new self(
            trim($fields->text('title') ?? ''),
            $fields->text('description') ?? '',
            self::tagsOf($fields->texts('tags')),
            $fields->text('category') ?? '',
            $fields->text('language') ?? '',
            $fields->text('licence') ?? '',
            $answers,
        );
    }

    /**
     * Each tag once, without the mark that pages put before it.
     *
     * @param  list<string>  $given
     * @return list<string>
     */
    private static function tagsOf(array $given): array
    {
        $tags = [];
        foreach ($given as $one) {
            $tag = trim(ltrim(trim($one), '#'));
            $tag === '' ?: $tags[mb_strtolower($tag)] ??= $tag;
        }

        return array_values($tags);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'title' => $this->title,
            'description' => $this->description,
            'tags' => $this->tags,
            'category' => $this->category,
            'language' => $this->language,
            'licence' => $this->licence,
            'declarations' => $this->declarations,
        ];
    }

    /**
     * What the host would not take, and what it needs before it shows the video to anybody.
     *
     * @return list<Remark>
     */
    public function remarks(Takes $takes): array
    {
        $remarks = [];
        $texts = [
            'title' => [$this->title, $takes->title],
            'description' => [$this->description, $takes->description],
            'tags' => [implode(',', $this->tags), $takes->tags],
        ];
        foreach ($texts as $field => [$text, $most]) {
            $has = mb_strlen($text);
            if ($most !== null && $has > $most) {
                $remarks[] = Remark::stop(
                    $field,
                    "The {$field} has {$has} characters; the host takes {$most}.",
                    'Shorten it by '.($has - $most).'.',
                );
            }
        }
        foreach (['category' => [$this->category, $takes->categories], 'licence' => [$this->licence, $takes->licences]] as $field => $one) {
            [$text, $known] = $one;
            if ($known !== [] && $text !== '' && ! in_array($text, $known, true)) {
                $remarks[] = Remark::stop($field, "The host has no {$field} “{$text}”.", 'It has '.implode(', ', $known).'.');
            }
        }
        if ($this->language !== '' && preg_match('~^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$~', $this->language) !== 1) {
            $remarks[] = Remark::stop('language', "“{$this->language}” is no language.", 'Write en, de or pt-BR.');
        }

        return [...$remarks, ...$this->unanswered()];
    }

    /** @return list<Remark> */
    private function unanswered(): array
    {
        $remarks = $this->title === '' ? [Remark::caution('title', 'It has no title.', 'Give it one before it is released.')] : [];
        foreach (Declaration::cases() as $case) {
            $answer = $this->declarations[$case->value] ?? null;
            if ($answer === null) {
                $remarks[] = Remark::caution($case->value, "Not answered: {$case->question()}", 'Answer it before it is released.');
            } elseif ($case->needsYes() && ! $answer) {
                $remarks[] = Remark::caution($case->value, 'You do not hold the rights to everything in it.', 'It cannot be released.');
            }
        }

        return $remarks;
    }
}
