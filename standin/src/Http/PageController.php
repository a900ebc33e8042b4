<?php

namespace StandIn\Http;

use App\Library\ShippedHosts;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use StandIn\Clock;
use StandIn\Faults;
use StandIn\Models\Video;
use StandIn\Publication;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The host's own pages: plain ones, for people. */
class PageController
{
    public function __construct(private readonly Faults $faults, private readonly ShippedHosts $hosts)
    {
        Clock::set($faults->value('clock'));
    }

    public function index(): View
    {
        return view('index', [
            'faults' => Faults::ALL,
            'on' => $this->faults->on(),
            'videos' => Video::query()->with(['account', 'renditions'])->latest()->limit(50)->get(),
        ]);
    }

    public function fault(Request $request): RedirectResponse
    {
        $name = (string) $request->input('name');
        $usual = Faults::ALL[$name][1] ?? throw new Refusal(404, 'not-found', 'There is no such fault.');
        $value = array_map(fn ($given) => is_numeric($given) ? (int) $given : $given, array_intersect_key($request->all(), $usual));
        $this->faults->set($name, $request->input('switch') === 'on' ? $value + $usual : null);

        return redirect('/');
    }

    public function show(string $video): View
    {
        $video = $this->seen($video);

        return view('video', ['video' => $video, 'host' => $this->hosts->item($video->account->host)->name]);
    }

    public function rendition(string $video, int $lines): BinaryFileResponse
    {
        $file = $this->seen($video)->renditions->firstWhere('lines', $lines)->file ?? abort(404);

        return response()->file($file, ['Content-Type' => 'video/mp4']);
    }

    public function caption(string $video, string $language): Response
    {
        $text = $this->seen($video)->captions->firstWhere('language', $language)->text ?? abort(404);

        return response($text, 200, ['Content-Type' => 'text/vtt; charset=utf-8']);
    }

    public function picture(string $video, string $picture): BinaryFileResponse
    {
        $path = $this->seen($video)->folder().'/'.basename($picture);

        return is_file($path) && preg_match('~\.(jpg|png)$~', $path) === 1 ? response()->file($path) : abort(404);
    }

    /** Whoever has the address of an unlisted video sees it; a private one nobody does here. */
    private function seen(string $id): Video
    {
        $video = Video::query()->find($id) ?? abort(404);
        Publication::due($video);

        return $video->visibility === 'private' ? abort(404) : $video;
    }
}
