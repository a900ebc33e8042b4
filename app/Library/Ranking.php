<?php

namespace App\Library;

use App\Models\LibraryUse;
use App\Models\Setting;
use Illuminate\Support\Carbon;

/** What a person prefers of the library: favourites, and what is used; presets that a role or a host begins with. */
class Ranking
{
    /** Entries of a list that a key of its own leads to. */
    public const KEYS = 9;

    /** Rank of what is no favourite. */
    private const UNRANKED = 999_999;

    /** Milliseconds since 1970, and uses, that nothing reaches. */
    private const LATEST = 999_999_999_999_999;

    /** What begins where nobody said otherwise: a role, or a role and a host. */
    private const DEFAULTS = ['master' => 'archive-10-bit', 'upload@lanternwick' => 'lanternwick-generous'];

    /** @return list<string> slugs, the first marked first */
    public function favourites(Kind $kind): array
    {
        $kept = Setting::query()->find("favourite_{$kind->plural()}")?->value;

        return is_array($kept) ? array_values(array_filter($kept, is_string(...))) : [];
    }

    public function mark(Kind $kind, string $slug, bool $favourite): void
    {
        $others = array_values(array_diff($this->favourites($kind), [$slug]));
        $this->set("favourite_{$kind->plural()}", $favourite ? [...$others, $slug] : $others);
    }

    /** @return array<string, array{uses: int, usedAt: ?Carbon}> by slug */
    public function uses(Kind $kind): array
    {
        $uses = [];
        foreach (LibraryUse::query()->where('kind', $kind->value)->get() as $use) {
            $uses[$use->slug] = ['uses' => $use->uses, 'usedAt' => $use->updated_at];
        }

        return $uses;
    }

    /** @return array<string, string> slug by `role` or `role@host`: what a new sheet begins with */
    public function defaults(): array
    {
        $kept = Setting::query()->find('default_presets')?->value;

        return is_array($kept) ? array_filter($kept, is_string(...)) : self::DEFAULTS;
    }

    /** @param  string|null  $slug  null for none */
    public function setDefault(string $for, ?string $slug): void
    {
        $defaults = $this->defaults();
        if ($slug === null) {
            unset($defaults[$for]);
        } else {
            $defaults[$for] = $slug;
        }
        $this->set('default_presets', $defaults);
    }

    /**
     * As they are reached for: favourites, then what was used last, what was used most; the rest by role and name.
     *
     * @param  array<string, Entry>  $entries
     * @return list<Entry>
     */
    public function order(Kind $kind, array $entries): array
    {
        $favourites = array_flip($this->favourites($kind));
        $uses = $this->uses($kind);
        $roles = array_flip(['master', 'upload', 'review', 'device', 'stills', 'sound']);
        $rank = [];
        foreach ($entries as $slug => $entry) {
            $role = $entry->file->content->role ?? '';
            // One string each: comparing these takes a fifth of the time that comparing lists does.
            $rank[$slug] = sprintf(
                '%06d %015d %015d %02d %s',
                $favourites[$slug] ?? self::UNRANKED,
                self::LATEST - (($uses[$slug]['usedAt'] ?? null)?->getTimestampMs() ?? 0),
                self::LATEST - ($uses[$slug]['uses'] ?? 0),
                $roles[is_string($role) ? $role : ''] ?? count($roles),
                mb_strtolower($entry->name()),
            );
        }
        asort($rank, SORT_STRING);

        return array_values(array_replace($rank, $entries));
    }

    private function set(string $key, mixed $value): void
    {
        Setting::query()->updateOrCreate(['key' => $key], ['value' => $value, 'updated_at' => now()]);
    }
}
