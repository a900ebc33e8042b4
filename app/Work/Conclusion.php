<?php

namespace App\Work;

use App\Engine\EngineStuck;
use App\Engine\Stopped;
use App\Models\Work;
use App\Models\WorkState;
use Closure;
use Illuminate\Database\QueryException;
use OuterCrate\Refusals\Refused;
use Throwable;

/** Does a piece of work, and says in the queue what became of it. */
class Conclusion
{
    /** Seconds until something is tried again whose engine waits for a drive. */
    private const PAUSE = 30;

    public function __construct(private readonly WorkQueue $queue)
    {
    }

    /**
     * @param  Closure(): void  $do
     *
     * @throws QueryException when what it came to could not be written down: it comes back when its lease has run out, and is found
     *     finished then
     */
    public function of(Work $work, Kind $kind, Meter $meter, Closure $do): void
    {
        try {
            $do();
            $this->queue->end($work, WorkState::Done);
        } catch (Stopped) {
            match ($meter->ending()) {
                Ending::Stopped => $this->queue->end($work, WorkState::Stopped),
                Ending::Interrupted => $this->queue->giveBack($work),
                Ending::Lost => null,
            };
        } catch (Postponed $e) {
            $this->queue->postpone($work, $e->seconds, $e->getMessage());
        } catch (EngineStuck $e) {
            $this->queue->postpone($work, self::PAUSE, $e->getMessage());
        } catch (QueryException $e) {
            throw $e;
        } catch (Refused $e) {
            $this->queue->end($work, WorkState::Failed, $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->queue->end($work, WorkState::Failed, $kind::declaration()->failure);
        }
    }
}
