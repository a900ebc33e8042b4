<?php

namespace App\Work;

/** What is being worked on, in words: “Few” and “test through Platen”. */
final readonly class Activity
{
    /** @param  string  $page  path of the page that shows it */
    public function __construct(public string $name, public string $what, public string $page)
    {
    }
}
