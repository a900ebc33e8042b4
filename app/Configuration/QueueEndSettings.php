<?php

namespace App\Configuration;

/** What happens when nothing is left to make. */
final readonly class QueueEndSettings
{
    /**
     * @param  string  $webhook  address; empty for none
     * @param  string|null  $secret  encrypted; null for none
     * @param  list<string>  $webhookAllow  networks of this site that the webhook may reach
     * @param  list<string>  $command  program and arguments; empty for none
     * @param  bool  $quits  whether the workers end
     */
    public function __construct(
        public string $sound,
        public string $webhook,
        public ?string $secret,
        public array $webhookAllow,
        public array $command,
        public bool $quits,
    ) {
    }

    public static function of(SetValues $values): self
    {
        $secret = $values->get('crate.end.secret');

        return new self(
            sound: (string) $values->get('crate.end.sound'),
            webhook: (string) $values->get('crate.end.webhook'),
            secret: is_string($secret) ? $secret : null,
            webhookAllow: array_values(array_map(strval(...), (array) config('crate.end.webhook_allow'))),
            command: array_values(array_map(strval(...), (array) config('crate.end.command'))),
            quits: (bool) config('crate.end.quits'),
        );
    }
}
