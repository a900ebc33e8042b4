<?php

namespace App\SignIn;

use App\Models\Role;
use Illuminate\Http\Request;

/** Who asks, and what they may do. */
final readonly class Visitor
{
    private const ATTRIBUTE = 'visitor';

    /** @param  string|null  $name  null on this machine while no sign-in is required */
    public function __construct(public ?string $name, public Role $role)
    {
    }

    public function set(Request $request): void
    {
        $request->attributes->set(self::ATTRIBUTE, $this);
    }

    /** Null if the request was not authenticated. */
    public static function of(Request $request): ?self
    {
        $visitor = $request->attributes->get(self::ATTRIBUTE);

        return $visitor instanceof self ? $visitor : null;
    }
}
