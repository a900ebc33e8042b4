<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Models\Upload;
use App\Shelf\SeparateReading;
use App\Uploads\TusRequest;
use App\Uploads\UploadRefused;
use App\Uploads\Uploads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\ByteCount;

/** The tus resumable upload protocol 1.0.0: core, creation, creation-with-upload, termination, checksum, expiration. */
class UploadController
{
    public function __construct(private readonly Uploads $uploads)
    {
    }

    #[Operation(status: 204)]
    public function options(): Response
    {
        return $this->answer(204, TusRequest::offers());
    }

    /** What was begun and is not finished, for the page. */
    #[Operation('upload-list')]
    public function index(): JsonResponse
    {
        $begun = Upload::query()->whereNull('file')->where('expires_at', '>=', now())->orderByDesc('created_at')->get();

        return response()->json(['uploads' => $begun->map($this->described(...))]);
    }

    #[Operation(status: 201)]
    public function store(Request $request, SeparateReading $reading): Response
    {
        $tus = TusRequest::of($request);
        $sends = $tus->sendsBytes();
        $checksum = $sends ? $tus->checksum() : null;
        $upload = $this->uploads->begin($tus->name(), $tus->length());
        $headers = ['Location' => url("/api/uploads/{$upload->id}"), ...TusRequest::expires($upload)];
        if ($sends && $tus->length() > 0) {
            try {
                $headers['Upload-Offset'] = $this->uploads->append($upload, 0, $tus->bytes(), $checksum);
                self::bringIn($upload, $reading);
            } catch (UploadRefused $e) {
                // Its address was never told, so nobody could go on with it.
                $this->uploads->end($upload);
                throw $e;
            }
        }

        return $this->answer(201, $headers);
    }

    /** HEAD is the protocol's question for the offset; GET tells the page the rest too. */
    #[Operation('upload-answer')]
    public function show(Request $request, string $id): Response|JsonResponse
    {
        $request->isMethod('GET') ?: TusRequest::of($request);
        $upload = $this->find($id);
        $headers =
            [
                'Upload-Offset' => $this->uploads->offset($upload),
                'Upload-Length' => $upload->length,
                'Upload-Metadata' => 'filename '.base64_encode($upload->name),
                'Cache-Control' => 'no-store',
            ] + ($upload->file === null ? TusRequest::expires($upload) : []);
        if ($request->isMethod('GET')) {
            return response()->json(['upload' => $this->described($upload)], 200, $headers);
        }

        return $this->answer(200, $headers);
    }

    #[Operation(status: 204, body: 'application/offset+octet-stream')]
    public function update(Request $request, SeparateReading $reading, string $id): Response
    {
        $tus = TusRequest::of($request);
        $tus->sendsBytes() || throw UploadRefused::noType();
        $upload = $this->find($id);
        $offset = $this->uploads->append($upload, $tus->offset(), $tus->bytes(), $tus->checksum());
        self::bringIn($upload, $reading);

        return $this->answer(204, ['Upload-Offset' => $offset, ...TusRequest::expires($upload)]);
    }

    #[Operation(status: 204)]
    public function destroy(Request $request, string $id): Response
    {
        TusRequest::of($request);
        $this->uploads->end($this->find($id));

        return $this->answer(204);
    }

    /** What has come whole goes on the shelf here: the page that sent it may be gone. What is no cut is told when the page asks for it. */
    private static function bringIn(Upload $upload, SeparateReading $reading): void
    {
        if ($upload->file === null) {
            return;
        }
        ignore_user_abort(true);
        try {
            $reading->bringIn($upload->file);
        } catch (Refused) {
            // The file stays among those that can be brought in, and says why it cannot.
        }
    }

    private function find(string $id): Upload
    {
        // PostgreSQL rejects a query for anything but a UUID.
        $upload = (Str::isUuid($id) ? Upload::query()->find($id) : null) ?? throw UploadRefused::gone();
        if ($upload->expires_at->isPast()) {
            $this->uploads->end($upload);
            throw UploadRefused::gone();
        }

        return $upload;
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
