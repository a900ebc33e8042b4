<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

/** What a host names as missing, and what we know to be so, before a video is shown to everybody. */
final class ReleaseList
{
    private const WORDS = [
        'terms' => ['The host’s terms are not accepted.', 'Read and accept them.'],
        'processing' => ['No size is ready yet.', 'Wait for the first, or release it when all are there.'],
    ];

    /**
     * @param  bool  $waits  whether it is released only when all sizes are there
     * @return list<Remark> what is not in order; a release is possible where none of them is a stop
     */
    public static function of(Details $details, Takes $takes, ?RemoteVideo $video, string $sha256, bool $waits = false): array
    {
        if ($video === null) {
            return [Remark::stop('arrival', 'It has not arrived at its host.', 'Send it first.')];
        }
        $remarks = [];
        foreach ($details->remarks($takes) as $remark) {
            $remarks[] = Remark::stop($remark->about, $remark->text, $remark->todo);
        }
        if ($video->state === 'failed') {
            $remarks[] = Remark::stop('processing', $video->words(), 'Send another file in place of it.');
        }
        if ($video->sha256 !== null && $video->sha256 !== $sha256) {
            $remarks[] = Remark::stop('checksum', 'The host has other bytes than were sent.', 'Send it again.');
        }
        foreach ($video->missing as $name) {
            if (! isset(self::WORDS[$name]) || ($waits && $name === 'processing')) {
                continue;
            }
            $remarks[] = Remark::stop($name, ...self::WORDS[$name]);
        }
        if ($remarks === [] && ! $video->isWhole() && ! $waits) {
            $remarks[] = Remark::caution('sizes', $video->words(), 'Release it when all are there, or now with what there is.');
        }

        return $remarks;
    }
}
