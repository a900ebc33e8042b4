<?php

namespace App\Teaching;

use App\Models\Teaching;
use App\Models\Work;
use App\Work\WorkQueue;
use OuterCrate\Hosts\Host;

/** Asks for hosts to be learnt. */
class Teachings
{
    /** Files of one teaching at most. */
    public const MOST = 60;

    public function __construct(private readonly WorkQueue $queue, private readonly TeachHost $kind)
    {
    }

    /**
     * @param  list<list<string>>  $lessons  real paths: of each an upload and what came back of it, in any order
     *
     * @throws TeachingRefused
     */
    public function ask(Host $host, array $lessons): Teaching
    {
        $paths = array_merge(...$lessons);
        $lessons !== [] && $paths !== [] ?: throw TeachingRefused::nothing();
        count($paths) <= self::MOST ?: throw TeachingRefused::tooMany(self::MOST);
        foreach (array_count_values($paths) as $path => $times) {
            $times === 1 ?: throw TeachingRefused::twice((string) $path);
        }
        foreach ($lessons as $lesson) {
            match (count($lesson)) {
                0 => throw TeachingRefused::nothing(),
                1 => throw TeachingRefused::alone($lesson[0]),
                default => null,
            };
        }
        $teaching = Teaching::query()->create([
            'host' => $host->slug,
            'asked' => ['hostName' => $host->name, 'host' => $host->toArray(), 'lessons' => $lessons],
        ]);
        $this->queue->put($this->kind, $teaching->id, Work::now());

        return $teaching;
    }
}
