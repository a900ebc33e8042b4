<?php

namespace App\SignIn;

use App\Models\Role;
use Illuminate\Http\Request;

/** Who asks, and what they may do. */
final readonly class Visitor
{
    private const ATTRIBUTE = 'visitor';

    /** @param  string|null  $name  null for whoever sits at this machine while there are no users */
    public function __construct(public ?string $name, public Role $role)
    {
    }

    public function set(Request $request): void
    {
        $request->attributes->set(self::ATTRIBUTE, $this);
    }

    /** Null where nobody was let in. */
    public static function of(Request $request): ?self
    {
        $visitor = $request->attributes->get(self::ATTRIBUTE);

        return $visitor instanceof self ? $visitor : null;
    }
}
