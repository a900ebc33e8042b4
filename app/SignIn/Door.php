<?php

namespace App\SignIn;

use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\RateLimiter;

/** Lets those in who know their password: five tries a minute from an address, and five for a name. */
final class Door
{
    private const TRIES = 5;

    private const SECONDS = 60;

    /**
     * @param  string  $address  the one that asks
     *
     * @throws SignInRefused
     */
    public function open(string $name, string $password, string $address): User
    {
        $counts = ["sign-in:{$address}", 'sign-in:'.hash('sha256', $name)];
        $this->count($counts);
        $guard = self::guard();
        if (! $guard->attempt(['name' => $name, 'password' => $password])) {
            Log::warning('A sign-in was refused.', ['address' => $address]);
            throw SignInRefused::wrong();
        }
        array_map(RateLimiter::clear(...), $counts);

        /** @var User */
        return $guard->user();
    }

    /**
     * Ends a session for good. A request that is under way meanwhile writes its session back when it is done, as it was: the mark that is
     * left beside it outlives that.
     */
    public function close(Store $session): void
    {
        $session->getHandler()->write(self::mark($session->getId()), '1');
        self::guard()->logout();
        $session->invalidate();
    }

    /** Empties a session that was ended and written back: it would outlive its mark otherwise. */
    public static function keepClosed(Store $session): void
    {
        if ($session->getHandler()->read(self::mark($session->getId())) !== '') {
            self::guard()->logout();
            $session->invalidate();
        }
    }

    private static function mark(string $id): string
    {
        return substr(hash('sha256', "closed {$id}"), 0, 40);
    }

    /**
     * Counted before the password is looked at, one try after the other: of many at once no more get through.
     *
     * @param  list<string>  $counts
     */
    private function count(array $counts): void
    {
        Cache::lock('sign-in', 10)->block(10, function () use ($counts): void {
            foreach ($counts as $count) {
                if (RateLimiter::tooManyAttempts($count, self::TRIES)) {
                    throw SignInRefused::tooOften(RateLimiter::availableIn($count));
                }
            }
            foreach ($counts as $count) {
                RateLimiter::hit($count, self::SECONDS);
            }
        });
    }

    private static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
