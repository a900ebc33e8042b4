<?php

namespace App\Media;

/** What has become of the file of a cut since it was read. */
enum FileState: string
{
    case Here = 'here';
    case Changed = 'changed';
    case Gone = 'gone';
    /** Its drive does not answer: nobody knows. */
    case Silent = 'silent';
}
