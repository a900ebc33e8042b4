<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\RequestRefused;
use App\Media\ExactFrames;
use App\Media\Workspace;
use App\Models\Cut;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What the viewer shows of a cut: the proxy, exact frames, and a strip of small pictures. */
class ViewerController
{
    /** A player that asks for all the rest of a video would hold a server process for as long as it plays: it gets this much at a time. */
    private const MOST_BYTES = 4_194_304;

    private const FOREVER = 'private, max-age=31536000, immutable';

    #[Operation(media: 'video/mp4')]
    public function proxy(Request $request, Cut $cut): BinaryFileResponse
    {
        $path = Workspace::ofCut($cut->id)->proxy();
        is_file($path) || throw RequestRefused::notThere('There is no proxy of this cut yet.', 'Wait until it was looked at.');
        if (preg_match('~^bytes=(\d+)-(\d*)$~', (string) $request->header('Range'), $m) === 1) {
            $last = min($m[2] === '' ? PHP_INT_MAX : (int) $m[2], (int) $m[1] + self::MOST_BYTES - 1);
            $request->headers->set('Range', "bytes={$m[1]}-".min($last, max(0, filesize($path) - 1)));
        }

        return response()->file($path, ['Content-Type' => 'video/mp4', 'Cache-Control' => self::FOREVER]);
    }

    #[Operation(media: 'image/jpeg')]
    public function strip(Cut $cut): BinaryFileResponse
    {
        $path = Workspace::ofCut($cut->id)->strip();
        is_file($path) || throw RequestRefused::notThere('There is no strip of this cut yet.', 'Wait until it was looked at.');

        return response()->file($path, ['Content-Type' => 'image/jpeg', 'Cache-Control' => self::FOREVER]);
    }

    /** One frame of the cut itself, decoded by the engine. */
    #[Operation(query: ['large'], media: 'image/jpeg')]
    public function frame(Request $request, Cut $cut, int $frame, ExactFrames $frames): BinaryFileResponse
    {
        return response()->file($frames->of($cut, $frame, $request->boolean('large')), [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => self::FOREVER,
        ]);
    }
}
