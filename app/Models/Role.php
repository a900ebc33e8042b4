<?php

namespace App\Models;

/** The permissions of a user or token. Each role includes the ones before it. */
enum Role: string
{
    /** Looks at pages, downloads slips and files. */
    case Viewer = 'viewer';

    /** Works with cuts, sheets, presets and hosts, packs and sends. */
    case Editor = 'editor';

    /** Settings, folders, users, tokens, accounts at hosts, the webhook, and deleting for good. */
    case Owner = 'owner';

    public function includes(self $needed): bool
    {
        return array_search($this, self::cases(), true) >= array_search($needed, self::cases(), true);
    }

    /** The lesser of two: a token may do no more than its user. */
    public function within(self $other): self
    {
        return $this->includes($other) ? $other : $this;
    }
}
