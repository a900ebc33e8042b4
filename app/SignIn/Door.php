<?php

namespace App\SignIn;

use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Session\Store;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;

/** Checks passwords and opens sessions. Unknown names take as long as known ones. */
final class Door
{
    /** Cache key of the hash that is checked for an unknown name, followed by the cost of hashing. */
    private const DECOY = 'sign-in:decoy:';

    public function __construct(private readonly Attempts $attempts, private readonly ActivityLog $log)
    {
    }

    /**
     * @param  string  $address  the one that asks
     *
     * @throws SignInRefused
     */
    public function check(string $name, string $password, string $address): User
    {
        $wait = $this->attempts->take($address, $name);
        if ($wait > 0) {
            throw SignInRefused::tooOften($wait);
        }
        $user = User::query()->firstWhere('name', $name);
        $isRight = Hash::check($password, $user->password ?? self::decoyHash());
        if ($user === null || ! $isRight) {
            rescue(fn () => $this->log->note(mb_strcut($name, 0, 64), 'Failed to sign in', '', $address));
            throw SignInRefused::wrong();
        }
        $this->attempts->succeeded($address, $name);
        rescue(fn () => $this->log->note($user->name, 'Signed in', '', $address));

        return $user;
    }

    /** Starts a session under a new identifier. */
    public function open(User $user, Store $session): void
    {
        $session->flush();
        self::guard()->login($user);
        $session->regenerate(true);
    }

    private static function decoyHash(): string
    {
        $rounds = (string) config('hashing.bcrypt.rounds', 12);

        return Cache::rememberForever(self::DECOY.$rounds, fn (): string => Hash::make(bin2hex(random_bytes(16))));
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

    private static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);

        return $guard;
    }
}
