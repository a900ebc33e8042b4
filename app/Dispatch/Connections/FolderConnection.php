<?php

namespace App\Dispatch\Connections;

use App\Media\Checksum;
use App\Media\DropFolder;
use App\Models\Dispatch;
use App\Models\HostAccount;
use Closure;
use DateTimeImmutable;
use DateTimeInterface;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Takes;
use OuterCrate\Slips\HashLists\HashedFile;
use OuterCrate\Slips\HashLists\HashList;

/**
 * A folder takes a host's place: a mounted volume, or one that somebody else's program watches. Each file gets a folder of its own, with
 * what is said of it (resources/schema/drop-details.json) and an ASC MHL list. Who sees it when is theirs to decide: it is told to them.
 */
final class FolderConnection implements HostConnection
{
    private const DETAILS = 'details.json';

    public function signIn(HostAccount $account, string $password): array
    {
        is_dir($account->address) || throw self::away($account->address);

        return ['token' => null, 'expiresAt' => null];
    }

    public function takes(HostAccount $account): Takes
    {
        return new Takes;
    }

    public function begin(Dispatch $dispatch): string
    {
        $address = $dispatch->account->address;
        is_dir($address) || throw self::away($address);
        $place = $address.'/'.pathinfo($dispatch->file, PATHINFO_FILENAME).' '.substr($dispatch->key, 0, 8);
        (new DropFolder($place))->begin(basename($dispatch->file));

        return $place;
    }

    public function arrived(Dispatch $dispatch): int
    {
        is_dir($dispatch->account->address) || throw self::away($dispatch->account->address);

        return $this->folder($dispatch)->arrived(basename($dispatch->file))
            ?? throw SendingFailed::anew('What was sent is no longer in the folder.');
    }

    public function send(Dispatch $dispatch, int $offset, int $bytes, Closure $onBytes): int
    {
        return $offset + $this->folder($dispatch)->append(basename($dispatch->file), $dispatch->file, $offset, $bytes, $onBytes);
    }

    public function publish(Dispatch $dispatch): RemoteVideo
    {
        $folder = $this->folder($dispatch);
        $name = basename($dispatch->file);
        $folder->finish($name);
        $sums = Checksum::both($folder->path($name));
        if ($sums['sha256'] !== $dispatch->sha256) {
            $folder->remove();
            throw SendingFailed::anew('What arrived in the folder is not what was sent.');
        }
        $at = new DateTimeImmutable('now');
        $modified = new DateTimeImmutable('@'.(int) filemtime($folder->path($name)));
        $file = new HashedFile($name, $dispatch->bytes, $modified, $sums['xxh64'], $at);
        $list = HashList::of([$file], $at, gethostname() ?: '-', 'Outer Crate', '1');
        $listed = HashList::name(basename((string) $dispatch->place), 1, $at);
        $folder->write(HashList::FOLDER."/{$listed}", $list);
        $folder->write(HashList::FOLDER.'/'.HashList::CHAIN, HashList::chain([['name' => $listed, 'content' => $list]]));

        return $this->say($dispatch, $dispatch->said(), $dispatch->visibility, null);
    }

    public function video(Dispatch $dispatch): RemoteVideo
    {
        $said = json_decode((string) @file_get_contents($this->folder($dispatch)->path(self::DETAILS)), true);

        return is_array($said)
            ? $this->told($dispatch, (string) $said['visibility'], $said['publishAt'])
            : throw self::away((string) $dispatch->place);
    }

    public function describe(Dispatch $dispatch, Details $details): RemoteVideo
    {
        $now = $this->video($dispatch);

        return $this->say($dispatch, $details, $now->visibility, $now->publishAt);
    }

    public function thumbnail(Dispatch $dispatch, string $path): RemoteVideo
    {
        $this->folder($dispatch)->write('thumbnail.jpg', (string) file_get_contents($path));

        return $this->video($dispatch);
    }

    public function captions(Dispatch $dispatch, string $language, ?string $vtt): RemoteVideo
    {
        $folder = $this->folder($dispatch);
        $vtt === null ? $folder->takeOut("captions.{$language}.vtt") : $folder->write("captions.{$language}.vtt", $vtt);

        return $this->video($dispatch);
    }

    public function show(Dispatch $dispatch, string $visibility, ?DateTimeInterface $at = null): RemoteVideo
    {
        return $at === null
            ? $this->say($dispatch, $dispatch->said(), $visibility, null)
            : $this->say($dispatch, $dispatch->said(), $dispatch->visibility, $at->format('Y-m-d\TH:i:s\Z'));
    }

    public function acceptTerms(HostAccount $account): void
    {
        // A folder has none.
    }

    public function fetch(Dispatch $dispatch, int $lines, string $target, Closure $goesOn): void
    {
        throw SendingFailed::over('no-renditions', 'A folder makes nothing of what lies in it.', 'Look at the file itself.');
    }

    public function remove(Dispatch $dispatch): void
    {
        $this->folder($dispatch)->remove();
    }

    private function say(Dispatch $dispatch, Details $details, string $visibility, ?string $publishAt): RemoteVideo
    {
        $this->folder($dispatch)->write(self::DETAILS, json_encode([
            'format' => 'outer-crate/drop-details',
            'version' => 1,
            'file' => basename($dispatch->file),
            'bytes' => $dispatch->bytes,
            'sha256' => $dispatch->sha256,
            'visibility' => $visibility,
            'publishAt' => $publishAt,
            'details' => ['declarations' => (object) $details->declarations] + $details->toArray(),
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));

        return $this->told($dispatch, $visibility, $publishAt);
    }

    private function told(Dispatch $dispatch, string $visibility, ?string $publishAt): RemoteVideo
    {
        return new RemoteVideo(
            (string) $dispatch->place, null, 'ready', null, null, $dispatch->sha256, $visibility, $publishAt, [], [],
        );
    }

    private function folder(Dispatch $dispatch): DropFolder
    {
        return new DropFolder((string) $dispatch->place);
    }

    private static function away(string $path): SendingFailed
    {
        return SendingFailed::needsPerson('folder-away', "The folder {$path} is not there.", 'Mount it, then go on.');
    }
}
