<?php

namespace App\Http\Controllers;

use App\Http\Middleware\TusAnswers;
use App\Models\Upload;
use App\Shelf\CutShelf;
use App\Uploads\UploadRefused;
use App\Uploads\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\ByteCount;

/** The tus resumable upload protocol 1.0.0: core, creation, creation-with-upload, termination, checksum, expiration. */
class UploadController
{
    private const BYTES = 'application/offset+octet-stream';

    /** Bytes of one piece at most: the server holds a request whole before it hands it on. */
    private const MOST = 67_108_864;

    public function __construct(private readonly Uploads $uploads, private readonly CutShelf $shelf)
    {
    }

    public function options(): Response
    {
        return $this->answer(204, [
            'Tus-Version' => TusAnswers::VERSION,
            'Tus-Extension' => 'creation,creation-with-upload,termination,checksum,expiration',
            'Tus-Checksum-Algorithm' => implode(',', Uploads::CHECKSUMS),
        ]);
    }

    /** What was begun and is not finished, for the page. */
    public function index(): JsonResponse
    {
        $this->uploads->expire();

        return response()->json([
            'uploads' => Upload::query()->whereNull('file')->orderByDesc('created_at')->get()->map($this->described(...)),
        ]);
    }

    public function store(Request $request): Response
    {
        $this->needVersion($request);
        $length = $this->number($request, 'Upload-Length');
        $sends = $this->sendsBytes($request);
        $checksum = $sends ? $this->checksum($request) : null;
        $upload = $this->uploads->begin($this->name($request), $length);
        $headers = ['Location' => url("/api/uploads/{$upload->id}"), 'Upload-Expires' => $this->expires($upload)];
        if ($sends && $length > 0) {
            try {
                $headers['Upload-Offset'] = $this->uploads->append($upload, 0, $this->bytes($request), $checksum);
                $this->bringIn($upload);
            } catch (UploadRefused $e) {
                // Its address was never told, so nobody could go on with it.
                $this->uploads->end($upload);
                throw $e;
            }
        }

        return $this->answer(201, $headers);
    }

    /** HEAD is the protocol's question for the offset; GET tells the page the rest too. */
    public function show(Request $request, string $id): Response|JsonResponse
    {
        $request->isMethod('GET') ?: $this->needVersion($request);
        $upload = $this->find($id);
        $headers =
            [
                'Upload-Offset' => $this->uploads->offset($upload),
                'Upload-Length' => $upload->length,
                'Upload-Metadata' => 'filename '.base64_encode($upload->name),
                'Cache-Control' => 'no-store',
            ] + ($upload->file === null ? ['Upload-Expires' => $this->expires($upload)] : []);
        if ($request->isMethod('GET')) {
            return response()->json(['upload' => $this->described($upload)], 200, $headers);
        }

        return $this->answer(200, $headers);
    }

    public function update(Request $request, string $id): Response
    {
        $this->needVersion($request);
        if (! $this->sendsBytes($request)) {
            throw UploadRefused::noType();
        }
        $upload = $this->find($id);
        $offset = $this->uploads->append(
            $upload,
            $this->number($request, 'Upload-Offset'),
            $this->bytes($request),
            $this->checksum($request),
        );

        $this->bringIn($upload);

        return $this->answer(204, ['Upload-Offset' => $offset, 'Upload-Expires' => $this->expires($upload)]);
    }

    public function destroy(Request $request, string $id): Response
    {
        $this->needVersion($request);
        $this->uploads->end($this->find($id));

        return $this->answer(204);
    }

    /** What has come whole goes on the shelf here: the page that sent it may be gone. What is no cut is told when the page asks for it. */
    private function bringIn(Upload $upload): void
    {
        if ($upload->file === null) {
            return;
        }
        ignore_user_abort(true);
        try {
            $this->shelf->bringIn($upload->file);
        } catch (Refused|Unreadable) {
            // The file stays among those that can be brought in, and says why it cannot.
        }
    }

    private function find(string $id): Upload
    {
        $upload = Upload::query()->find($id) ?? throw UploadRefused::gone();
        if ($upload->expires_at->isPast()) {
            $this->uploads->end($upload);
            throw UploadRefused::gone();
        }

        return $upload;
    }

    private function needVersion(Request $request): void
    {
        if ($request->header('Tus-Resumable') !== TusAnswers::VERSION) {
            throw UploadRefused::otherVersion();
        }
    }

    private function number(Request $request, string $header): int
    {
        $value = (string) $request->header($header);
        if (preg_match('~^\d{1,18}$~', $value) !== 1) {
            throw UploadRefused::badHeader($header, 'must be a whole number of bytes');
        }

        return (int) $value;
    }

    private function sendsBytes(Request $request): bool
    {
        return explode(';', (string) $request->header('Content-Type'))[0] === self::BYTES;
    }

    /** @return resource the body, never as a whole in memory */
    private function bytes(Request $request)
    {
        if ((int) $request->header('Content-Length') > self::MOST) {
            throw UploadRefused::tooLarge(new ByteCount(self::MOST));
        }

        return $request->getContent(true);
    }

    /** @return array{string, string}|null */
    private function checksum(Request $request): ?array
    {
        $header = $request->header('Upload-Checksum');
        if ($header === null) {
            return null;
        }
        [$algorithm, $digest] = explode(' ', $header, 2) + [1 => ''];
        $digest = base64_decode($digest, true);
        if (! in_array($algorithm, Uploads::CHECKSUMS, true) || $digest === false || $digest === '') {
            throw UploadRefused::badHeader(
                'Upload-Checksum',
                'must name one of '.implode(', ', Uploads::CHECKSUMS).' and the digest in base64',
            );
        }

        return [$algorithm, $digest];
    }

    /** `Upload-Metadata: filename d29ybGQ=,filetype …` */
    private function name(Request $request): string
    {
        foreach (explode(',', (string) $request->header('Upload-Metadata')) as $pair) {
            [$key, $value] = explode(' ', trim($pair), 2) + [1 => ''];
            if (in_array($key, ['filename', 'name'], true)) {
                $name = base64_decode($value, true);

                return basename(str_replace('\\', '/', $name === false || $name === '' ? 'untitled' : $name));
            }
        }

        return 'untitled';
    }

    private function expires(Upload $upload): string
    {
        return $upload->expires_at->toRfc7231String();
    }

    /** @return array<string, mixed> */
    private function described(Upload $upload): array
    {
        $whole = $upload->file !== null;

        return [
            'id' => $upload->id,
            'name' => $upload->name,
            'bytes' => $upload->length,
            'bytesLabel' => (string) new ByteCount($upload->length),
            'offset' => $this->uploads->offset($upload),
            'complete' => $whole,
            'sha256' => $upload->sha256,
            'file' => $upload->file === null ? null : mb_scrub($upload->file),
            'expires' => $upload->expires_at->toIso8601ZuluString(),
        ];
    }

    /** @param  array<string, int|string>  $headers */
    private function answer(int $status, array $headers = []): Response
    {
        return response('', $status, $headers);
    }
}
