<?php

namespace App\Packing\Shared;

use App\Engine\Stopped;
use App\Packing\Passes\OwnEngine;
use App\Packing\Passes\PassRequest;
use Closure;
use Fiber;
use Throwable;

/**
 * Makes several files of the same frames of a cut, which are decoded once for all of them. Each run goes its way as if it were alone,
 * until it wants a pass; when all of them do, the engine does those in one go. What one waits for besides (its sound being listened to,
 * its file being checked) goes on beside that of the others. What becomes of one is nothing to the others.
 */
class SharedDecode
{
    /** Microseconds between looks at programs that runs wait for. */
    private const PAUSE = 5_000;

    /** @var array<int, Fiber<mixed, mixed, mixed, mixed>> */
    private array $runs = [];

    /** @var array<int, PassRequest> what each of them waits for */
    private array $wanted = [];

    /** @var array<int, true> those that wait for a program of their own */
    private array $busy = [];

    private bool $standsStill = false;

    private ?Throwable $fault = null;

    public function __construct(private readonly OwnEngine $engine, private readonly SharedRound $round)
    {
    }

    /**
     * @param  list<Closure(): void>  $makings  each sees to what becomes of its run
     *
     * @throws Throwable the first that one of them could not see to, when all have ended
     */
    public function run(array $makings): void
    {
        foreach ($makings as $i => $making) {
            $this->runs[$i] = new Fiber($making);
            $this->goOn($i, fn (Fiber $run): mixed => $run->start());
        }
        while ($this->wanted !== [] || $this->busy !== []) {
            match (true) {
                $this->busy !== [] => $this->look(),
                count($this->wanted) === 1 => $this->alone(array_key_first($this->wanted)),
                default => $this->together($this->wanted),
            };
        }
        $this->fault === null ?: throw $this->fault;
    }

    /** Lets those go on that wait for a program of their own: they see whether it has ended. */
    private function look(): void
    {
        usleep(self::PAUSE);
        foreach (array_keys($this->busy) as $i) {
            $this->goOn($i, fn (Fiber $run): mixed => $run->resume());
        }
    }

    /** @param  array<int, PassRequest>  $round */
    private function together(array $round): void
    {
        try {
            $this->round->run(
                array_values($round),
                fn (): bool => $this->endThoseThatStop($round),
                fn (): bool => $this->isPaused($round),
            );
        } catch (Stopped) {
            // Each was told by itself.
            return;
        } catch (Throwable $e) {
            // Which of them it came of is seen when each is alone.
            foreach (array_keys($this->left($round)) as $i) {
                $round[$i]->file->journal->result("Together it could not be done: {$e->getMessage()} It is made alone.");
                $this->alone($i);
            }

            return;
        }
        foreach (array_keys($this->left($round)) as $i) {
            $this->goOn($i, fn (Fiber $run): mixed => $run->resume());
        }
    }

    private function alone(int $i): void
    {
        try {
            $this->engine->run($this->wanted[$i]);
        } catch (Throwable $e) {
            $this->goOn($i, fn (Fiber $run): mixed => $run->throw($e));

            return;
        }
        $this->goOn($i, fn (Fiber $run): mixed => $run->resume());
    }

    /** @param  Closure(Fiber<mixed, mixed, mixed, mixed>): mixed  $step  to the next that it waits for, or to its end */
    private function goOn(int $i, Closure $step): void
    {
        unset($this->wanted[$i], $this->busy[$i]);
        try {
            $wanted = $step($this->runs[$i]);
            if ($wanted instanceof PassRequest) {
                $this->wanted[$i] = $wanted;
            } elseif (! $this->runs[$i]->isTerminated()) {
                $this->busy[$i] = true;
            }
        } catch (Throwable $e) {
            $this->fault ??= $e;
        }
    }

    /**
     * One that is to end does so at once; the engine goes on for the others, and what it still makes of that one is thrown away.
     *
     * @param  array<int, PassRequest>  $round
     * @return bool whether none is left
     */
    private function endThoseThatStop(array $round): bool
    {
        foreach ($this->left($round) as $i => $request) {
            if ($request->file->meter->shouldStop()) {
                $this->round->part($request);
                $this->goOn($i, fn (Fiber $run): mixed => $run->throw(new Stopped));
            }
        }

        return $this->left($round) === [];
    }

    /**
     * The engine stands still for all of them or for none: what is asked of one holds for all.
     *
     * @param  array<int, PassRequest>  $round
     */
    private function isPaused(array $round): bool
    {
        $left = $this->left($round);
        $paused = array_filter($left, fn (PassRequest $request): bool => $request->file->meter->isPaused());
        $isAsked = $this->standsStill ? count($paused) === count($left) : $paused !== [];
        if ($isAsked !== $this->standsStill) {
            $this->standsStill = $isAsked;
            array_map(fn (PassRequest $request) => $request->file->meter->pause($isAsked), $left);
        }

        return $isAsked;
    }

    /**
     * @param  array<int, PassRequest>  $round
     * @return array<int, PassRequest> of it, those that still wait for it
     */
    private function left(array $round): array
    {
        $waits = fn (PassRequest $request, int $i): bool => ($this->wanted[$i] ?? null) === $request;

        return array_filter($round, $waits, ARRAY_FILTER_USE_BOTH);
    }
}
