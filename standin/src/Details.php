<?php

namespace StandIn;

use StandIn\Http\Refusal;

/** What is said of a video, and what of it has to be said. */
final class Details
{
    private const TEXTS = ['title', 'description', 'category', 'language', 'licence'];

    /** Answered with yes or no by the sender, and by nobody else. */
    public const DECLARATIONS = ['madeForChildren', 'paidPromotion', 'alteredContent', 'rights'];

    /**
     * @param  array<mixed>  $details
     * @return array<string, mixed> those that are known
     *
     * @throws Refusal when one of them is longer than may be, or none of those that there are
     */
    public static function checked(array $details): array
    {
        $checked = [];
        foreach (self::TEXTS as $name) {
            if (! array_key_exists($name, $details)) {
                continue;
            }
            $checked[$name] = is_string($details[$name]) ? $details[$name] : self::refuse($name, 'is a text');
            $most = config("standin.most.{$name}");
            $most === null || mb_strlen($checked[$name]) <= $most || self::refuse($name, "has {$most} characters at most");
        }
        foreach (['category' => 'categories', 'licence' => 'licences'] as $name => $known) {
            $given = $checked[$name] ?? '';
            $all = (array) config("standin.{$known}");
            $given === '' || in_array($given, $all, true) || self::refuse($name, 'is one of '.implode(', ', $all));
        }
        if (array_key_exists('tags', $details)) {
            $tags = $details['tags'];
            is_array($tags) && array_filter($tags, is_string(...)) === $tags || self::refuse('tags', 'is a list of texts');
            $most = (int) config('standin.most.tags');
            mb_strlen(implode(',', $tags)) <= $most || self::refuse('tags', "has {$most} characters at most, with commas");
            $checked['tags'] = array_values($tags);
        }
        foreach (self::DECLARATIONS as $name) {
            if (array_key_exists($name, $details)) {
                $checked[$name] = is_bool($details[$name]) ? $details[$name] : self::refuse($name, 'is true or false');
            }
        }

        return $checked;
    }

    /**
     * @param  array<string, mixed>  $details
     * @return list<string> names of those that are needed and not there
     */
    public static function missing(array $details): array
    {
        $missing = trim((string) ($details['title'] ?? '')) === '' ? ['title'] : [];
        foreach (self::DECLARATIONS as $name) {
            $isGiven = $name === 'rights' ? ($details[$name] ?? false) === true : is_bool($details[$name] ?? null);
            $isGiven || $missing[] = $name;
        }

        return $missing;
    }

    private static function refuse(string $name, string $rule): never
    {
        throw new Refusal(422, 'details', "The {$name} {$rule}.");
    }
}
