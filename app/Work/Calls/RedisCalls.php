<?php

namespace App\Work\Calls;

use App\Engine\Clock;
use Illuminate\Contracts\Redis\Factory;
use Illuminate\Support\Facades\Log;
use Predis\ClientInterface;
use Throwable;

/**
 * Calls over Redis, heard by all workers on all machines: a stream of one entry, which each reads from where it was, so that nothing is
 * missed while one is busy. Where Redis is gone, workers look for themselves every second until it is back.
 */
final class RedisCalls implements Calls
{
    private const STREAM = 'outer_crate_calls';

    /** Seconds after which one looks without being called: less than a connection may be silent (config/database.php). */
    private const LONGEST = 4.0;

    /** Microseconds between looks while nobody can call. */
    private const ALONE = 1_000_000;

    /** Seconds between words about that. */
    private const COMPLAINTS = 60;

    /** The last call that was heard; at first whatever there is. */
    private string $heard = '0-0';

    private float $complained = -INF;

    public function __construct(private readonly Factory $redis)
    {
    }

    public function call(): void
    {
        try {
            $this->client()->xadd(self::STREAM, ['at' => (string) getmypid()], '*', ['trim' => ['MAXLEN', '=', 1]]);
        } catch (Throwable $e) {
            $this->complain($e);
        }
    }

    public function wait(float $seconds): void
    {
        try {
            $calls = $this->client()->xread(1, max(1, (int) (1000 * min($seconds, self::LONGEST))), [self::STREAM], $this->heard);
            $this->heard = (string) (array_values((array) $calls)[0][0][0] ?? $this->heard);
        } catch (Throwable $e) {
            $this->complain($e);
            usleep(self::ALONE);
        }
    }

    private function client(): ClientInterface
    {
        return $this->redis->connection('work')->client();
    }

    private function complain(Throwable $e): void
    {
        rescue(fn () => $this->client()->disconnect(), report: false);
        if (Clock::seconds() - $this->complained > self::COMPLAINTS) {
            $this->complained = Clock::seconds();
            Log::warning('Redis cannot be asked; work goes on without it.', ['says' => $e->getMessage()]);
        }
    }
}
