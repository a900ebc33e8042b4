<?php

namespace App\Work;

/** Workers are started for one or more groups of kinds of work: `crate:work --groups=files,tests`. */
enum WorkerGroup: string
{
    case Files = 'files';
    case Tests = 'tests';

    /** Apart from the files: an estimate cannot wait for a run of hours. */
    case Samples = 'samples';

    /** Apart from the others: sending waits for lines and hosts, not for this machine. */
    case Sending = 'sending';
}
