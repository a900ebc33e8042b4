<?php

namespace App\Resources;

use App\Library\Entry;
use App\Library\Hosts;
use App\Library\Kind;
use App\Library\Ranking;
use Illuminate\Support\Carbon;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\RuleWords;
use OuterCrate\Presets\Rules;

/** Presets as lists and their page show them (resources/schema/preset-card.json). */
class PresetResource
{
    /** Cells whose rules a preset is searched by. */
    private const SOUGHT = ['container', 'video', 'frameSize', 'frameRate', 'bitrate', 'audio'];

    /** @var array<string, string> words of rules by their JSON */
    private array $said = [];

    /** @var array<string, string>|null names of hosts by slug; read when they are first asked for */
    private ?array $hostNames = null;

    /** @var array<string, string> what hosts ask for, in words, by slug */
    private array $hostWords = [];

    /** @var array<string, array{uses: int, usedAt: ?Carbon}> */
    private array $uses = [];

    /** @var array<string, int> */
    private array $favourites = [];

    /** @var array<string, list<string>> by slug */
    private array $defaultFor = [];

    public function __construct(
        private readonly RuleWords $words,
        private readonly Cells $cells,
        private readonly Hosts $hosts,
        private readonly Ranking $ranking,
    ) {
    }

    /**
     * @param  int|null  $key  that leads to it, 1 to 9
     * @return array<string, mixed>
     */
    public function card(Entry $entry, ?int $key = null): array
    {
        $names = $this->hostNames ??= $this->surroundings();
        $file = $entry->file->content;
        $host = is_string($file->host ?? null) ? $file->host : null;

        return [
            'slug' => $entry->slug,
            'name' => $entry->name(),
            'role' => is_string($file->role ?? null) ? $file->role : 'master',
            'host' => $host,
            'hostName' => $host === null ? null : $names[$host] ?? $host,
            'about' => is_string($file->about ?? null) ? $file->about : '',
            'tags' => is_array($file->tags ?? null) ? array_values(array_filter($file->tags, is_string(...))) : [],
            'version' => $entry->version,
            'shipped' => $entry->shipped,
            'favourite' => isset($this->favourites[$entry->slug]),
            'uses' => $this->uses[$entry->slug]['uses'] ?? 0,
            'usedAt' => ($this->uses[$entry->slug]['usedAt'] ?? null)?->toIso8601ZuluString(),
            'defaultFor' => $this->defaultFor[$entry->slug] ?? [],
            'key' => $key,
            'words' => $this->filter($entry, $host),
        ];
    }

    /** @return list<array{cell: string, label: string, rule: string}> every row of the sheet with its rule in words */
    public function rows(Entry $entry): array
    {
        $rows = [];
        foreach ($this->words->all(self::rules($entry)) as $cell => $text) {
            $rows[] = ['cell' => $cell, 'label' => $this->cells->get($cell)->label(), 'rule' => $text === '' ? 'what is usual' : $text];
        }

        return $rows;
    }

    public static function rules(Entry $entry): Rules
    {
        $rules = $entry->file->fields()['rules'] ?? [];

        return new Rules(is_array($rules) ? $rules : []);
    }

    /** @return array<string, string> names of hosts by slug */
    private function surroundings(): array
    {
        $names = array_map(fn (Entry $entry): string => $entry->name(), $this->hosts->entries());
        $this->uses = $this->ranking->uses(Kind::Preset);
        $this->favourites = array_flip($this->ranking->favourites(Kind::Preset));
        foreach ($this->ranking->defaults() as $for => $slug) {
            $this->defaultFor[$slug][] = $for;
        }

        return $names;
    }

    /** What a host asks, in words. */
    private function asked(string $host): string
    {
        return implode(' ', array_column($this->hosts->find($host)?->asks->inWords() ?? [], 'text'));
    }

    /** What it is found by: its rules in words, its host, what that asks where a rule leaves it to the host. */
    private function filter(Entry $entry, ?string $host): string
    {
        $rules = $entry->file->content->rules ?? null;
        $words = [$host === null ? '' : $this->hostNames[$host] ?? $host];
        foreach (self::SOUGHT as $cell) {
            $rule = $rules->{$cell} ?? null;
            if ($rule === null) {
                continue;
            }
            if ($rule === 'host') {
                $words['host'] = $host === null ? '' : $this->hostWords[$host] ??= $this->asked($host);

                continue;
            }
            $json = "{$cell} ".json_encode($rule);
            $words[] = $this->said[$json] ??= $this->words->of($this->cells->get($cell), json_decode((string) json_encode($rule), true));
            $words[] = $cell === 'video' && isset($rule->codec) ? $rule->codec : '';
        }

        return mb_strtolower(implode(' ', array_filter($words)));
    }
}
