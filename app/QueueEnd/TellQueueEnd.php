<?php

namespace App\QueueEnd;

use App\Configuration\QueueEndSettings;
use App\Engine\EngineFailed;
use App\Models\QueueEnd;
use App\Models\Work;
use App\Settings\WebhookTarget;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Postponed;
use App\Work\Priority;
use App\Work\WorkerGroup;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\Http;

/** Tells a webhook that all of the queue is done (resources/schema/queue-done.json). */
class TellQueueEnd implements Kind
{
    /** Seconds until it is tried again, one after another. */
    private const PAUSES = [10, 60, 300, 1_800, 7_200];

    /** Seconds that an answer may take. */
    private const PATIENCE = 10;

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: 'tell',
            does: 'tells the webhook',
            failure: 'An unexpected error stopped the webhook notification. Finished files are unchanged. See storage/logs for details.',
            group: WorkerGroup::Files,
            priority: Priority::Notice,
            delaysEnd: true,
        );
    }

    public function isAsked(): bool
    {
        return app(QueueEndSettings::class)->webhook !== '';
    }

    public function run(Work $work, Meter $meter): void
    {
        $end = QueueEnd::query()->find($work->subject);
        if ($end === null || ! $this->isAsked()) {
            return;
        }
        $meter->hold(2 * self::PATIENCE);
        $problem = $this->send(app(QueueEndSettings::class)->webhook, $end->json());
        if ($problem === null) {
            return;
        }
        $pause = self::PAUSES[$work->attempts - 1] ?? null;
        throw $pause === null
            ? new EngineFailed("The webhook did not answer after {$work->attempts} tries: {$problem}", 'Check its address in the settings.')
            : new Postponed($problem, $pause);
    }

    /** @return string|null what went wrong; null where it was taken */
    private function send(string $address, string $body): ?string
    {
        $time = (string) time();
        $secret = app(QueueEndSettings::class)->secret;
        $signature = $secret !== null
            ? ['X-Outer-Crate-Signature' => 'sha256='.hash_hmac('sha256', "{$time}.{$body}", Crypt::decryptString($secret))]
            : [];
        $target = WebhookTarget::address($address);
        if ($target === null) {
            return 'Nobody knows the name of its machine.';
        }
        $port = parse_url($address, PHP_URL_PORT) ?? (parse_url($address, PHP_URL_SCHEME) === 'https' ? 443 : 80);
        $host = trim((string) parse_url($address, PHP_URL_HOST), '[]');
        $pinned = [CURLOPT_RESOLVE => ["{$host}:{$port}:".(str_contains($target, ':') ? "[{$target}]" : $target)]];
        try {
            // To the address that was looked up and to no other; what it answers is not kept.
            $answer = Http::timeout(self::PATIENCE)->withoutRedirecting()
                ->withOptions(['curl' => $pinned, 'sink' => '/dev/null', 'proxy' => ''])
                ->withHeaders(['X-Outer-Crate-Time' => $time] + $signature)
                ->withBody($body, 'application/json')
                ->post($address);
        } catch (ConnectionException) {
            return 'Nobody answers there.';
        }

        return $answer->successful() ? null : "It answers {$answer->status()}.";
    }
}
