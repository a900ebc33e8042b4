<?php

namespace App\Configuration;

/** Who signs in, and which proxies are believed. */
final readonly class AccessSettings
{
    /**
     * @param  bool  $signInHere  whether people sign in on this machine too, once there is a user
     * @param  list<string>  $trustedProxies  addresses or networks
     */
    public function __construct(public bool $signInHere, public array $trustedProxies)
    {
    }

    public static function of(SetValues $values): self
    {
        return new self(
            signInHere: (bool) $values->get('crate.sign_in_here'),
            trustedProxies: array_values(array_map(strval(...), (array) config('crate.trusted_proxies'))),
        );
    }
}
