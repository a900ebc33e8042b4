<?php

namespace App\Uploads;

use App\Configuration\FolderSettings;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Models\Upload;
use Carbon\CarbonInterface;
use HashContext;
use OuterCrate\Naming\FileName;
use OuterCrate\Units\ByteCount;
use Throwable;

/**
 * Files that arrive piece by piece. Each piece is appended in place to the file beside its final one, a little at a time; when
 * the last has come, the file gets its name. Nothing is copied, and nothing is held in memory but a small part of a piece.
 */
class Uploads
{
    private const PART = 1_048_576;

    /** @var list<string> names as the tus checksum extension and PHP both know them */
    public const CHECKSUMS = ['sha256', 'sha1', 'md5', 'crc32b', 'xxh128'];

    /**
     * @throws UploadRefused when there is no room for it
     * @throws FileProblem when the folder cannot be written to
     */
    public function begin(string $name, int $length): Upload
    {
        $this->expire();
        $free = Drive::freeBytes($this->folder());
        $free = $free === null ? null : max(0, $free - $this->promised());
        if ($free !== null && $length > $free) {
            throw UploadRefused::noRoom(new ByteCount($length), new ByteCount($free));
        }
        $upload = new Upload(['name' => mb_strcut(mb_scrub($name), 0, 1000), 'length' => $length, 'expires_at' => $this->expiry()]);
        $upload->save();
        touch($this->partial($upload)->partial);
        if ($length === 0) {
            $this->finish($upload, hash_init('sha256'));
        }

        return $upload;
    }

    /** Bytes that uploads under way have yet to bring: their room is taken. */
    private function promised(): int
    {
        $open = Upload::query()->whereNull('file')->get();

        return $open->sum(function (Upload $upload): int {
            $path = $this->partial($upload)->partial;
            clearstatcache(true, $path);

            return max(0, $upload->length - (is_file($path) ? (int) filesize($path) : $upload->length));
        });
    }

    /**
     * Bytes that have arrived.
     *
     * @throws UploadRefused when the upload's file is no longer there
     */
    public function offset(Upload $upload): int
    {
        if ($upload->file !== null) {
            return $upload->length;
        }
        clearstatcache(true, $this->partial($upload)->partial);

        return is_file($this->partial($upload)->partial) ? (int) filesize($this->partial($upload)->partial) : throw UploadRefused::gone();
    }

    /**
     * Appends a piece.
     *
     * @param  resource  $input
     * @param  array{string, string}|null  $checksum  algorithm and raw digest that the piece must have
     * @return int the new offset
     *
     * @throws UploadRefused
     */
    public function append(Upload $upload, int $offset, $input, ?array $checksum): int
    {
        if ($upload->file !== null) {
            throw UploadRefused::otherOffset($upload->length);
        }
        $path = $this->partial($upload)->partial;
        $file = is_file($path) ? fopen($path, 'r+b') : throw UploadRefused::gone();
        try {
            if (! flock($file, LOCK_EX | LOCK_NB)) {
                throw UploadRefused::busy();
            }
            $stands = (int) fstat($file)['size'];
            if ($stands !== $offset) {
                throw UploadRefused::otherOffset($stands);
            }
            $whole = $this->hashUpTo($upload, $file, $offset);
            $piece = $checksum === null ? null : hash_init($checksum[0]);
            fseek($file, $offset);
            try {
                $new =
                    $this->write($file, $input, $upload->length - $offset, $upload->length, [$whole, ...$piece === null ? [] : [$piece]]) +
                    $offset;
                if ($piece !== null && ! hash_equals($checksum[1], hash_final($piece, true))) {
                    throw UploadRefused::checksum();
                }
            } catch (Throwable $e) {
                // Bytes that are not to be trusted are not kept.
                ftruncate($file, $offset);
                throw $e;
            }
            if ($new === $upload->length) {
                $this->finish($upload, $whole);
            } else {
                file_put_contents($this->hashFile($upload), serialize([$new, $whole]));
                $upload->update(['expires_at' => $this->expiry()]);
            }

            return $new;
        } finally {
            fclose($file);
        }
    }

    /** Ends an upload. What had arrived is removed; a file that is whole stays. */
    public function end(Upload $upload): void
    {
        if ($upload->file === null) {
            $this->partial($upload)->discard();
            @unlink($this->hashFile($upload));
        }
        $upload->delete();
    }

    /** Ends what nobody has sent to for days. */
    public function expire(): void
    {
        Upload::query()->where('expires_at', '<', now())->get()->each($this->end(...));
    }

    /**
     * @param  resource  $to
     * @param  resource  $from
     * @param  list<HashContext>  $hashes
     */
    private function write($to, $from, int $room, int $length, array $hashes): int
    {
        $written = 0;
        while (! feof($from)) {
            $bytes = fread($from, self::PART);
            if ($bytes === false || $bytes === '') {
                break;
            }
            if ($written + strlen($bytes) > $room) {
                throw UploadRefused::tooMuch($length);
            }
            if (fwrite($to, $bytes) !== strlen($bytes)) {
                throw new FileProblem(
                    'The drive is full or cannot be written to.',
                    $this->folder(),
                    'Make room, then go on with the upload: what has arrived is kept.',
                );
            }
            foreach ($hashes as $hash) {
                hash_update($hash, $bytes);
            }
            $written += strlen($bytes);
        }
        fflush($to);

        return $written;
    }

    private function finish(Upload $upload, HashContext $hash): void
    {
        $path = $this->partial($upload)->publish();
        @unlink($this->hashFile($upload));
        $upload->update(['file' => $path, 'sha256' => hash_final($hash), 'expires_at' => $this->expiry()]);
    }

    /**
     * The hash of all that has arrived, carried from piece to piece so that the file need not be read again.
     *
     * @param  resource  $file
     */
    private function hashUpTo(Upload $upload, $file, int $offset): HashContext
    {
        $kept = @unserialize((string) @file_get_contents($this->hashFile($upload)), ['allowed_classes' => [HashContext::class]]);
        if (is_array($kept) && $kept[0] === $offset && $kept[1] instanceof HashContext) {
            return $kept[1];
        }
        $hash = hash_init('sha256');
        rewind($file);
        hash_update_stream($hash, $file, $offset);

        return $hash;
    }

    private function partial(Upload $upload): OutputFile
    {
        return OutputFile::at($this->folder().'/'.FileName::safe($upload->name), $upload->id);
    }

    private function hashFile(Upload $upload): string
    {
        return $this->folder()."/.{$upload->id}.hash";
    }

    private function folder(): string
    {
        return app(FolderSettings::class)->uploads;
    }

    private function expiry(): CarbonInterface
    {
        return now()->addDays((int) config('crate.uploads_kept'));
    }
}
