<?php

namespace App\Dispatch\Connections;

use App\Models\Dispatch;
use App\Models\HostAccount;
use Closure;
use DateTimeInterface;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Takes;

/**
 * How a host is talked to. An adapter for another one implements this, and nothing else has to change: what is sent when, what is tried
 * again and when something is released is decided elsewhere.
 *
 * Every call ends with SendingFailed where it cannot be answered: its way of failing says whether it is tried again, needs the person, or
 * is over.
 */
interface HostConnection
{
    /**
     * A password becomes a token, which is all that is kept.
     *
     * @return array{token: ?string, expiresAt: ?string} ISO 8601; null where there is none
     *
     * @throws SendingFailed
     */
    public function signIn(HostAccount $account, string $password): array;

    /** @throws SendingFailed */
    public function takes(HostAccount $account): Takes;

    /**
     * A place for the bytes of a file.
     *
     * @return string its address, under which it is known from now on
     *
     * @throws SendingFailed
     */
    public function begin(Dispatch $dispatch): string;

    /**
     * Bytes that have arrived there.
     *
     * @throws SendingFailed also when the place is gone, and has to be begun again
     */
    public function arrived(Dispatch $dispatch): int;

    /**
     * Sends bytes from an offset on.
     *
     * @param  Closure(int): bool  $onBytes  told of the bytes that left, while they do; false ends the sending
     * @return int the new offset
     *
     * @throws SendingFailed also where it was ended
     */
    public function send(Dispatch $dispatch, int $offset, int $bytes, Closure $onBytes): int;

    /**
     * Makes a video of a file that has arrived whole. Asked again, it gives the same.
     *
     * @throws SendingFailed
     */
    public function publish(Dispatch $dispatch): RemoteVideo;

    /** @throws SendingFailed */
    public function video(Dispatch $dispatch): RemoteVideo;

    /** @throws SendingFailed */
    public function describe(Dispatch $dispatch, Details $details): RemoteVideo;

    /** @throws SendingFailed */
    public function thumbnail(Dispatch $dispatch, string $path): RemoteVideo;

    /**
     * @param  string|null  $vtt  WebVTT; null for none in this language any more
     *
     * @throws SendingFailed
     */
    public function captions(Dispatch $dispatch, string $language, ?string $vtt): RemoteVideo;

    /**
     * @param  string  $visibility  private, unlisted or public
     * @param  DateTimeInterface|null  $at  when its host does it by itself; null where it is done at once
     *
     * @throws SendingFailed
     */
    public function show(Dispatch $dispatch, string $visibility, ?DateTimeInterface $at = null): RemoteVideo;

    /** @throws SendingFailed */
    public function acceptTerms(HostAccount $account): void;

    /**
     * Fetches what the host made of it.
     *
     * @param  string  $target  path
     * @param  Closure(): bool  $goesOn  asked while bytes arrive; false ends it
     *
     * @throws SendingFailed also where it was ended
     */
    public function fetch(Dispatch $dispatch, int $lines, string $target, Closure $goesOn): void;

    /** @throws SendingFailed */
    public function remove(Dispatch $dispatch): void;
}
