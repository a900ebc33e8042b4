<?php

namespace App\Uploads;

use App\Models\Upload;
use Illuminate\Http\Request;
use OuterCrate\Units\ByteCount;

/** What a request of the tus resumable upload protocol 1.0.0 says in its headers. */
final readonly class TusRequest
{
    public const VERSION = '1.0.0';

    private const BYTES = 'application/offset+octet-stream';

    /** Bytes of one piece at most: the server holds a request whole before it hands it on. */
    private const MOST = 67_108_864;

    private function __construct(private Request $request)
    {
    }

    /** @throws UploadRefused when it speaks another version */
    public static function of(Request $request): self
    {
        if ($request->header('Tus-Resumable') !== self::VERSION) {
            throw UploadRefused::otherVersion();
        }

        return new self($request);
    }

    /** @return array<string, string> headers of the answer to OPTIONS */
    public static function offers(): array
    {
        return self::version() + [
            'Tus-Version' => self::VERSION,
            'Tus-Extension' => 'creation,creation-with-upload,termination,checksum,expiration',
            'Tus-Checksum-Algorithm' => implode(',', Uploads::CHECKSUMS),
        ];
    }

    /** @return array<string, string> a header that every answer has */
    public static function version(): array
    {
        return ['Tus-Resumable' => self::VERSION];
    }

    /** @return array<string, string> */
    public static function expires(Upload $upload): array
    {
        return ['Upload-Expires' => $upload->expires_at->toRfc7231String()];
    }

    public function length(): int
    {
        return $this->number('Upload-Length');
    }

    public function offset(): int
    {
        return $this->number('Upload-Offset');
    }

    public function sendsBytes(): bool
    {
        return explode(';', (string) $this->request->header('Content-Type'))[0] === self::BYTES;
    }

    /** @return resource the body, never as a whole in memory */
    public function bytes()
    {
        if ((int) $this->request->header('Content-Length') > self::MOST) {
            throw UploadRefused::tooLarge(new ByteCount(self::MOST));
        }

        return $this->request->getContent(true);
    }

    /** @return array{string, string}|null */
    public function checksum(): ?array
    {
        $header = $this->request->header('Upload-Checksum');
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
    public function name(): string
    {
        foreach (explode(',', (string) $this->request->header('Upload-Metadata')) as $pair) {
            [$key, $value] = explode(' ', trim($pair), 2) + [1 => ''];
            if (in_array($key, ['filename', 'name'], true)) {
                $name = base64_decode($value, true);

                return basename(str_replace('\\', '/', $name === false || $name === '' ? 'untitled' : $name));
            }
        }

        return 'untitled';
    }

    private function number(string $header): int
    {
        $value = (string) $this->request->header($header);
        if (preg_match('~^\d{1,18}$~', $value) !== 1) {
            throw UploadRefused::badHeader($header, 'must be a whole number of bytes');
        }

        return (int) $value;
    }
}
