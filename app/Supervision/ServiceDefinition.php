<?php

namespace App\Supervision;

/** A program that is kept running: how it is started, and what of its ends is final. */
final readonly class ServiceDefinition
{
    /**
     * @param  list<string>  $command  program and arguments, which no shell sees
     * @param  array<string, string>  $environment  in addition to the supervisor's own
     * @param  string  $log  file that takes what the program prints
     * @param  int|null  $lastStatus  exit status after which the program is not started again
     */
    public function __construct(
        public string $name,
        public array $command,
        public string $folder,
        public string $log,
        public array $environment = [],
        public ?int $lastStatus = null,
    ) {
    }
}
