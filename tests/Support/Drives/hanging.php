<?php

/*
 * A drive that hangs when it is told to, as a share whose server has gone: what is asked of it waits for its answer, and no signal ends
 * that. It lies in a folder, and is answered for by the kernel's own protocol (Linux, include/uapi/linux/fuse.h, 7.31).
 *
 * usage: php hanging.php FOLDER MOUNT-POINT      `MOUNT-POINT.hangs` beside it, if there: “writes” to it, or “all” that is asked
 */

[, $folder, $point] = $argv;
$drive = fopen('/dev/fuse', 'r+b') ?: exit(1);
stream_set_blocking($drive, false);
stream_set_read_buffer($drive, 0);
stream_set_write_buffer($drive, 0);
$mount = ['mount', '-i', '-t', 'fuse', 'hanging', $point, '-o', 'fd=3,rootmode=40000,user_id=0,group_id=0'];
// It looks at what it has mounted: it is answered below.
$mounting = proc_open($mount, [3 => $drive], $pipes);

/** Paths by the numbers that the kernel knows them by; open files by theirs. */
final class Known
{
    /** @var array<int, string> */
    public static array $paths = [];

    /** @var array<int, resource> */
    public static array $files = [];

    public static function number(string $path): int
    {
        $number = array_search($path, self::$paths, true);
        $number === false && self::$paths[$number = count(self::$paths) + 1] = $path;

        return $number;
    }

    /** @param  resource  $file */
    public static function opened($file): string
    {
        self::$files[$number = (int) $file] = $file;

        return pack('QVV', $number, 0, 0);
    }

    public static function attributes(string $path): string
    {
        clearstatcache(true, $path);
        $s = @lstat($path) ?: throw new OutOfBoundsException;

        return pack(
            'Q6V10',
            ...[$s['ino'], $s['size'], $s['blocks'], $s['atime'], $s['mtime'], $s['ctime'], 0, 0, 0],
            ...[$s['mode'], $s['nlink'], $s['uid'], $s['gid'], 0, 4096, 0],
        );
    }

    public static function entry(string $path): string
    {
        $attributes = self::attributes($path);

        return pack('Q4V2', self::number($path), 0, 0, 0, 0, 0).$attributes;
    }
}
Known::$paths[1] = $folder;

/** @return string|null what is answered; null where nobody waits for it */
$answer = function (int $asks, int $node, string $body): ?string {
    $path = Known::$paths[$node] ?? '';
    $named = fn (int $from = 0): string => $path.'/'.explode("\0", substr($body, $from))[0];
    ['fh' => $file, 'at' => $at, 'size' => $size] = unpack('Qfh/Qat/Vsize', str_pad($body, 20, "\0"));
    switch ($asks) {
        case 26: // INIT
            return pack('V4v2V2v2V8', 7, 31, 65536, 0, 12, 10, 131072, 1, 32, 0, ...array_fill(0, 8, 0));
        case 2: case 42: // FORGET, BATCH_FORGET
            return null;
        case 1: // LOOKUP
            return Known::entry($named());
        case 3: // GETATTR
            return pack('QVV', 0, 0, 0).Known::attributes($path);
        case 4: // SETATTR
            ['valid' => $valid] = unpack('Vvalid', $body);
            if ($valid & 8) {
                $cut = fopen($path, 'r+b');
                ftruncate($cut, unpack('Q', $body, 16)[1]);
            }
            $valid & 1 ? chmod($path, unpack('V', $body, 68)[1] & 0o7777) : null;

            return pack('QVV', 0, 0, 0).Known::attributes($path);
        case 9: // MKDIR
            mkdir($named(8));

            return Known::entry($named(8));
        case 10: case 11: // UNLINK, RMDIR
            $asks === 10 ? unlink($named()) : rmdir($named());

            return '';
        case 12: case 45: // RENAME, RENAME2
            [$from, $to] = explode("\0", substr($body, $asks === 12 ? 8 : 16));
            $to = Known::$paths[unpack('Q', $body)[1]]."/{$to}";
            rename("{$path}/{$from}", $to);
            Known::$paths[Known::number("{$path}/{$from}")] = $to;

            return '';
        case 13: // LINK
            link(Known::$paths[unpack('Q', $body)[1]], $named(8));

            return Known::entry($named(8));
        case 14: // OPEN
            return Known::opened(fopen($path, (unpack('V', $body)[1] & 3) === 0 ? 'rb' : 'r+b'));
        case 35: // CREATE
            $made = fopen($named(16), 'w+b');

            return Known::entry($named(16)).Known::opened($made);
        case 15: // READ
            fseek(Known::$files[$file], $at);

            return (string) stream_get_contents(Known::$files[$file], $size);
        case 16: // WRITE
            fseek(Known::$files[$file], $at);
            $written = fwrite(Known::$files[$file], substr($body, 40, $size));
            fflush(Known::$files[$file]);

            return pack('VV', $written, 0);
        case 17: // STATFS
            return pack('Q5V10', 1 << 20, 1 << 19, 1 << 19, 1 << 16, 1 << 15, 4096, 255, 4096, ...array_fill(0, 7, 0));
        case 18: // RELEASE
            fclose(Known::$files[$file]);
            unset(Known::$files[$file]);

            return '';
        case 20: case 25: case 29: case 30: // FSYNC, FLUSH, RELEASEDIR, FSYNCDIR
            return '';
        case 27: // OPENDIR
            return pack('QVV', 0, 0, 0);
        case 28: // READDIR
            $list = '';
            foreach (array_slice(scandir($path), $at, null, true) as $i => $name) {
                $one = pack('QQVV', 1, $i + 1, strlen($name), 0).$name;
                $list .= str_pad($one, 8 * (int) ceil(strlen($one) / 8), "\0");
            }

            return substr($list, 0, $size);
        default:
            throw new BadFunctionCallException;
    }
};

$asked = $parked = [];
while (true) {
    // A minute at most, whoever forgot it.
    $hangs = time() - (int) @filemtime("{$point}.hangs") < 60 ? (string) @file_get_contents("{$point}.hangs") : '';
    clearstatcache();
    [$read, $none] = [[$drive], null];
    if ($hangs === '' && $parked !== []) {
        [$asked, $parked] = [[...$parked, ...$asked], []];
    } elseif ($asked === [] && stream_select($read, $none, $none, 0, 20_000) > 0) {
        $all = (string) @fread($drive, 1 << 22);
        if ($all === '' && ! proc_get_status($mounting)['running']) {
            exit(0);
        }
        for ($at = 0; $at < strlen($all); $at += $length) {
            $asked[] = substr($all, $at, $length = unpack('V', $all, $at)[1]);
        }
    }
    if ($asked === []) {
        usleep(1_000);

        continue;
    }
    $one = array_shift($asked);
    ['asks' => $asks, 'id' => $id, 'node' => $node] = unpack('Vlength/Vasks/Qid/Qnode', $one);
    // No signal takes back what is under way (36, INTERRUPT).
    $isHeld = match ($hangs) {
        'all' => ! in_array($asks, [2, 42], true),
        'writes' => in_array($asks, [16, 20, 30], true),
        default => false,
    };
    if ($isHeld || $asks === 36) {
        $asks === 36 ?: $parked[] = $one;

        continue;
    }
    $fault = 0;
    try {
        $says = $answer($asks, $node, substr($one, 40));
    } catch (OutOfBoundsException) {
        [$says, $fault] = ['', 2]; // ENOENT
    } catch (BadFunctionCallException) {
        [$says, $fault] = ['', 38]; // ENOSYS
    }
    $says === null ?: @fwrite($drive, pack('VlQ', 16 + strlen($says), -$fault, $id).$says);
}
