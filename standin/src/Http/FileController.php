<?php

namespace StandIn\Http;

use App\Models\Upload;
use App\Uploads\TusRequest;
use App\Uploads\UploadRefused;
use App\Uploads\Uploads;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OuterCrate\Units\ByteCount;
use StandIn\Faults;

/** Files arrive by tus 1.0.0, at the product's own tus server. */
class FileController
{
    public function __construct(private readonly Uploads $uploads, private readonly Faults $faults)
    {
    }

    public function options(): Response
    {
        return response('', 204, TusRequest::offers());
    }

    public function store(Request $request): Response
    {
        $tus = TusRequest::of($request);
        $account = Signed::account($request);
        $left = AccountController::quota($this->faults) - AccountController::used($account);
        if ($tus->length() > $left) {
            throw new Refusal(413, 'quota', 'The account has '.new ByteCount(max(0, $left)).' left. Remove a video first.');
        }
        $upload = $this->uploads->begin($tus->name(), $tus->length());
        $headers = ['Location' => url("/api/files/{$upload->id}"), ...TusRequest::expires($upload)];
        if ($tus->sendsBytes() && $tus->length() > 0) {
            $headers['Upload-Offset'] = $this->uploads->append($upload, 0, $tus->bytes(), $tus->checksum());
        }

        return response('', 201, $headers + TusRequest::version());
    }

    public function show(Request $request, string $id): Response
    {
        TusRequest::of($request);
        $upload = self::find($id);

        return response('', 200, [
            'Upload-Offset' => $this->uploads->offset($upload),
            'Upload-Length' => $upload->length,
            'Cache-Control' => 'no-store',
        ] + TusRequest::version());
    }

    public function update(Request $request, string $id): Response
    {
        $tus = TusRequest::of($request);
        $tus->sendsBytes() || throw UploadRefused::noType();
        $upload = self::find($id);
        $offset = $this->uploads->append($upload, $tus->offset(), $tus->bytes(), $tus->checksum());

        return response('', 204, ['Upload-Offset' => $offset, ...TusRequest::expires($upload)] + TusRequest::version());
    }

    public function destroy(Request $request, string $id): Response
    {
        TusRequest::of($request);
        $this->uploads->end(self::find($id));

        return response('', 204, TusRequest::version());
    }

    private static function find(string $id): Upload
    {
        return Upload::query()->find($id) ?? throw UploadRefused::gone();
    }
}
