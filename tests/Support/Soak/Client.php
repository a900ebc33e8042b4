<?php

namespace Tests\Support\Soak;

use CurlHandle;

/** An HTTP client that logs the answer to each request. */
final class Client
{
    private const TIMEOUT_SECONDS = 30;

    private readonly CurlHandle $curl;

    /** @var resource|null */
    private $notes;

    public function __construct(?string $notes = null)
    {
        $this->curl = curl_init();
        $this->notes = $notes === null ? null : fopen($notes, 'a');
    }

    /**
     * @param  array<mixed>|string|null  $body  JSON, or bytes as they are
     * @param  list<string>  $headers
     * @return array{int, array<mixed>, string} status (0 where there was no answer), the answer, and its Location
     */
    public function ask(string $method, string $address, array|string|null $body = null, array $headers = []): array
    {
        $location = '';
        curl_setopt_array($this->curl, [
            CURLOPT_URL => $address, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => self::TIMEOUT_SECONDS, CURLOPT_CONNECTTIMEOUT => 5, CURLOPT_NOBODY => $method === 'HEAD',
            CURLOPT_POSTFIELDS => is_array($body) ? json_encode((object) $body) : $body,
            CURLOPT_HTTPHEADER => [...is_string($body) ? [] : ['Content-Type: application/json'], 'Expect:', ...$headers],
            CURLOPT_HEADERFUNCTION => function (CurlHandle $curl, string $line) use (&$location): int {
                stripos($line, 'Location:') === 0 ? $location = trim(substr($line, 9)) : null;

                return strlen($line);
            },
        ]);
        $begun = microtime(true);
        $answer = (string) curl_exec($this->curl);
        $status = (int) curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);
        if ($this->notes !== null) {
            $path = preg_replace('~\d+~', 'N', (string) parse_url($address, PHP_URL_PATH));
            $said = $status >= 500 ? ' '.substr(str_replace("\n", ' ', $answer), 0, 300) : '';
            fwrite($this->notes, sprintf("%.2f %d %.3f %s %s%s\n", $begun, $status, microtime(true) - $begun, $method, $path, $said));
        }

        return [$status, (array) json_decode($answer, true), $location];
    }
}
