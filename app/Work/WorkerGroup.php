<?php

namespace App\Work;

/** Workers are started for one or more groups of kinds of work: `crate:work --groups=files,tests`. */
enum WorkerGroup: string
{
    case Files = 'files';
    case Tests = 'tests';

    /** Separate from files: an estimate cannot wait hours for a run. */
    case Samples = 'samples';

    /** Separate from the others: sending waits for the line and the host, not for this machine. */
    case Sending = 'sending';
}
