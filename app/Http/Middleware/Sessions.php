<?php

namespace App\Http\Middleware;

use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Session\Middleware\AuthenticateSession;
use Illuminate\Session\Middleware\StartSession;

/** What a session takes. */
final class Sessions
{
    /** To begin one, whatever became of the last. */
    public const BEGIN = [EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class];

    /** To go on with one; those that were begun with another password end. */
    public const GO_ON = [...self::BEGIN, AuthenticateSession::class];
}
