<?php

namespace App\Dispatch\Connections;

use App\Configuration\DispatchSettings;
use App\Models\Dispatch;
use App\Models\HostAccount;
use Closure;
use DateTimeInterface;
use GuzzleHttp\Psr7\LimitStream;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\PendingRequest;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\Patience;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Takes;
use OuterCrate\Units\FrameSize;

/** A host that speaks the open API of docs/host-api.md: tus 1.0.0 for the bytes, JSON for everything else. */
final class OpenConnection implements HostConnection
{
    private const TUS = ['Tus-Resumable' => '1.0.0'];

    /** Seconds until somebody answers, for what is a matter of a moment. */
    private const PATIENCE = 20;

    /** Less than a kilobyte a second for half a minute: then the line counts as dead. */
    private const STANDING = [CURLOPT_LOW_SPEED_LIMIT => 1024, CURLOPT_LOW_SPEED_TIME => 30];

    public function signIn(HostAccount $account, string $password): array
    {
        $answer = $this->ask(fn (): Response => $this->client($account, false)->post('/api/tokens', [
            'host' => $account->host, 'name' => $account->name, 'password' => $password,
        ]));
        $answer->status() !== 401 || throw SendingFailed::wrongPassword();

        return ['token' => self::good($answer, $account)->json('token'), 'expiresAt' => $answer->json('expiresAt')];
    }

    public function takes(HostAccount $account): Takes
    {
        $takes = (array) $this->call($account, 'GET', '/api/account')->json('takes');
        $thumbnail = $takes['thumbnailFrame'] ?? null;

        return Takes::fromArray([
            'thumbnail' => $thumbnail === null ? null : (string) new FrameSize($thumbnail['width'], $thumbnail['height']),
            'thumbnailBytes' => $takes['thumbnail'] ?? null,
        ] + $takes);
    }

    public function begin(Dispatch $dispatch): string
    {
        $account = $dispatch->account;
        $answer = self::good($this->ask(fn (): Response => $this->client($account)->withHeaders(self::TUS + [
            'Upload-Length' => (string) $dispatch->bytes,
            'Upload-Metadata' => 'filename '.base64_encode(basename($dispatch->file)),
        ])->send('POST', '/api/files')), $account);
        $place = (string) $answer->header('Location');
        // Bytes go to the host that was signed in to, whatever it says.
        if (! str_starts_with($place, rtrim($account->address, '/').'/')) {
            throw SendingFailed::over('elsewhere', 'The host wants the file to be sent to another address.', 'Ask whoever runs it.');
        }

        return $place;
    }

    public function arrived(Dispatch $dispatch): int
    {
        return $this->offset($dispatch, $this->ask(
            fn (): Response => $this->client($dispatch->account)->withHeaders(self::TUS)->head((string) $dispatch->place),
        ));
    }

    public function send(Dispatch $dispatch, int $offset, int $bytes, Closure $onBytes): int
    {
        $isEnded = false;
        $limit = intdiv(app(DispatchSettings::class)->bitsPerSecond, 8);
        $body = new LimitStream(Utils::streamFor(Utils::tryFopen($dispatch->file, 'rb')), $bytes, $offset);
        $request = $this->client($dispatch->account)
            ->timeout(0)
            ->withHeaders(self::TUS + ['Upload-Offset' => (string) $offset])
            ->withBody($body, 'application/offset+octet-stream')
            ->withOptions([
                // Servers that do not know the question answer it with a refusal.
                'expect' => false,
                'progress' => function (int $down, int $hasDown, int $up, int $hasUp) use ($onBytes, &$isEnded): int {
                    // The engine of the transfer is ended by what this returns, not by what it throws.
                    $isEnded = $isEnded || ! $onBytes($hasUp);

                    return $isEnded ? 1 : 0;
                },
                'curl' => self::STANDING + ($limit > 0 ? [CURLOPT_MAX_SEND_SPEED_LARGE => $limit] : []),
            ]);
        try {
            return $this->offset($dispatch, $this->ask(fn (): Response => $request->send('PATCH', (string) $dispatch->place)));
        } finally {
            $body->close();
        }
    }

    public function publish(Dispatch $dispatch): RemoteVideo
    {
        return $this->told($this->call($dispatch->account, 'POST', '/api/videos', [
            'upload' => basename((string) $dispatch->place),
            'key' => $dispatch->key,
            'sha256' => $dispatch->sha256,
            'visibility' => $dispatch->visibility,
            'details' => (object) self::asDetails($dispatch->said()),
        ]));
    }

    public function video(Dispatch $dispatch): RemoteVideo
    {
        return $this->told($this->call($dispatch->account, 'GET', "/api/videos/{$dispatch->remote_id}"));
    }

    public function describe(Dispatch $dispatch, Details $details): RemoteVideo
    {
        return $this->told($this->call($dispatch->account, 'PATCH', "/api/videos/{$dispatch->remote_id}", [
            'details' => (object) self::asDetails($details),
        ]));
    }

    public function thumbnail(Dispatch $dispatch, string $path): RemoteVideo
    {
        return $this->told($this->call(
            $dispatch->account, 'PUT', "/api/videos/{$dispatch->remote_id}/thumbnail", (string) file_get_contents($path), 'image/jpeg',
        ));
    }

    public function captions(Dispatch $dispatch, string $language, ?string $vtt): RemoteVideo
    {
        $address = "/api/videos/{$dispatch->remote_id}/captions/".rawurlencode($language);

        return $this->told($vtt === null
            ? $this->call($dispatch->account, 'DELETE', $address)
            : $this->call($dispatch->account, 'PUT', $address, $vtt, 'text/vtt'));
    }

    public function show(Dispatch $dispatch, string $visibility, ?DateTimeInterface $at = null): RemoteVideo
    {
        return $this->told($this->call($dispatch->account, 'PUT', "/api/videos/{$dispatch->remote_id}/visibility", [
            'visibility' => $visibility,
        ] + ($at === null ? [] : ['at' => $at->format('Y-m-d\TH:i:s\Z')])));
    }

    public function acceptTerms(HostAccount $account): void
    {
        $version = $this->call($account, 'GET', '/api/account')->json('terms.version');
        $this->call($account, 'PUT', '/api/account/terms', ['version' => $version]);
    }

    public function fetch(Dispatch $dispatch, int $lines, string $target, Closure $goesOn): void
    {
        $account = $dispatch->account;
        $request = $this->client($account)->timeout(0)->sink($target)->withOptions([
            'progress' => fn (): int => $goesOn() ? 0 : 1,
            'curl' => self::STANDING,
        ]);
        $address = "/api/videos/{$dispatch->remote_id}/renditions/{$lines}";
        self::good($this->ask(fn (): Response => $request->get($address)), $account);
    }

    public function remove(Dispatch $dispatch): void
    {
        $this->call($dispatch->account, 'DELETE', "/api/videos/{$dispatch->remote_id}");
    }

    private function client(HostAccount $account, bool $signed = true): PendingRequest
    {
        // To the address that was set, and to no other.
        $client = Http::baseUrl($account->address)->withoutRedirecting()->connectTimeout(self::PATIENCE)->timeout(self::PATIENCE);
        if (! $signed) {
            return $client;
        }

        return $account->isSignedIn() ? $client->withToken((string) $account->token) : throw SendingFailed::signIn($account->host);
    }

    /** @param  array<string, mixed>|string  $body  bytes where a type is given */
    private function call(HostAccount $account, string $method, string $address, array|string $body = [], ?string $type = null): Response
    {
        $client = $this->client($account);
        $options = match (true) {
            $type !== null && is_string($body) => ['body' => $body],
            $body === [] => [],
            default => ['json' => $body],
        };
        $type === null ?: $client->withHeaders(['Content-Type' => $type]);

        return self::good($this->ask(fn (): Response => $client->send($method, $address, $options)), $account);
    }

    /** @param  Closure(): Response  $ask */
    private function ask(Closure $ask): Response
    {
        try {
            return $ask();
        } catch (ConnectionException) {
            throw SendingFailed::later('The line to the host was lost.');
        }
    }

    private function offset(Dispatch $dispatch, Response $answer): int
    {
        if (in_array($answer->status(), [404, 410], true)) {
            throw SendingFailed::anew('The host has forgotten what was sent.');
        }
        // Somewhere else than was thought, or still busy with what a line that was cut left: it is asked again in a moment.
        if (in_array($answer->status(), [409, 423, 460], true)) {
            throw SendingFailed::later('The host is still busy with what arrived.');
        }
        $offset = self::good($answer, $dispatch->account)->header('Upload-Offset');

        return ctype_digit($offset) ? (int) $offset : throw SendingFailed::later('The host does not say how much has arrived.');
    }

    private static function good(Response $answer, HostAccount $account): Response
    {
        if ($answer->successful()) {
            return $answer;
        }
        // A token that is good no more is forgotten: the page asks for the password then.
        $answer->status() !== 401 || $account->token === null || $account->update(['token' => null, 'expires_at' => null]);
        $says = mb_scrub(mb_substr((string) $answer->json('message'), 0, 300));
        $error = (string) $answer->json('error');
        throw match (true) {
            $answer->status() === 401 => SendingFailed::signIn($account->host),
            $answer->status() === 429, $answer->serverError() => SendingFailed::later(
                "The host answers {$answer->status()}.", Patience::asked($answer->header('Retry-After') ?: null, time()),
            ),
            $answer->redirect() => SendingFailed::over('elsewhere', 'The host answers from another address.', 'Ask whoever runs it.'),
            $error === 'quota' => SendingFailed::needsPerson('quota', $says, 'Make room at the host, then go on.'),
            $error === 'checksum' => SendingFailed::anew($says),
            $error === 'not-in-order' => SendingFailed::needsPerson('not-in-order', $says, 'See what is missing.'),
            default => SendingFailed::needsPerson(
                'refused', $says === '' ? "The host answers {$answer->status()}." : $says, 'Change it, then go on.',
            ),
        };
    }

    private function told(Response $answer): RemoteVideo
    {
        return RemoteVideo::fromArray((array) $answer->json('video'));
    }

    /** @return array<string, mixed> as docs/host-api.md names them */
    private static function asDetails(Details $details): array
    {
        $all = $details->toArray();
        unset($all['declarations']);

        return $all + $details->declarations;
    }
}
