<?php

namespace App\Dispatch;

use App\Configuration\DispatchSettings;
use App\Library\Hosts;
use App\Models\DetailTemplate;
use App\Models\Dispatch;
use Illuminate\Support\Collection;
use InvalidArgumentException;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\DetailsTemplate;

/** What is said of the videos of a series, and how the next one is filled from it. */
class Templates
{
    /** Texts that can hold fields. */
    private const FILLED = ['title', 'description'];

    public function __construct(private readonly Hosts $hosts, private readonly Dispatches $dispatches)
    {
    }

    /** @return Collection<int, DetailTemplate> */
    public function all(): Collection
    {
        return DetailTemplate::query()->orderBy('host')->orderBy('name')->get();
    }

    /**
     * Keeps what is said of a video as its series’ own. What only the person answers is left out: it is asked of each video.
     *
     * @throws InvalidArgumentException when a text has a field that there is none of
     */
    public function keep(Dispatch $dispatch, string $name): void
    {
        $details = ['declarations' => []] + $dispatch->said()->toArray();
        foreach (self::FILLED as $field) {
            new DetailsTemplate($details[$field]);
        }
        DetailTemplate::query()->updateOrCreate(['host' => $dispatch->account->host, 'name' => $name], ['details' => $details]);
    }

    /** Says of a video what its series says, with its own name, date and number. */
    public function fill(Dispatch $dispatch, DetailTemplate $template): void
    {
        $number = $template->number + 1;
        $fields = [
            'cut' => $dispatch->cut_name,
            'date' => now(app(DispatchSettings::class)->zone)->format('Y-m-d'),
            'number' => (string) $number,
            'host' => $this->hosts->need($template->host)->name,
        ];
        $details = Details::fromArray($template->details)->toArray();
        $counts = false;
        foreach (self::FILLED as $field) {
            $counts = $counts || str_contains($details[$field], '{number}');
            $details[$field] = (new DetailsTemplate($details[$field]))->fill($fields);
        }
        $this->dispatches->describe($dispatch, $details);
        $counts && $template->update(['number' => $number]);
    }

    public function remove(DetailTemplate $template): void
    {
        $template->delete();
    }
}
