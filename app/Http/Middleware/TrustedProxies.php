<?php

namespace App\Http\Middleware;

use App\Configuration\AccessSettings;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;

/** Servers in front whose word counts about who asks and by which scheme: those that CRATE_TRUSTED_PROXIES lists, and no others. */
final class TrustedProxies extends TrustProxies
{
    protected $headers = Request::HEADER_X_FORWARDED_FOR | Request::HEADER_X_FORWARDED_PROTO
        | Request::HEADER_X_FORWARDED_HOST | Request::HEADER_X_FORWARDED_PORT;

    /** @return list<string> */
    protected function proxies(): array
    {
        return app(AccessSettings::class)->trustedProxies;
    }
}
