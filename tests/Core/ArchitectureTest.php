<?php

use OuterCrate\Refusals\Refused;
use Tests\Support\Sources;

/** The layers, the lowest first; each may use its own and those below it. docs/architecture.md draws them. */
const CORE = [
    ['Units', 'Refusals'],
    ['Json'],
    ['Formats'],
    ['Reading', 'Naming', 'Devices', 'Pieces'],
    ['Presets', 'Hosts', 'Analysis'],
    ['Store'],
    ['Planning'],
    ['Encoding', 'Measures'],
    ['Estimates'],
    ['Slips', 'Transit', 'Dispatch'],
    ['Teaching', 'Documents'],
    ['Checks'],
    ['Desk'],
];

const APP = [
    ['Schema', 'Database', 'Configuration'],
    ['Models'],
    ['Engine', 'SignIn'],
    ['Media', 'Supervision'],
    ['Settings', 'Upkeep'],
    ['Work', 'Retention'],
    ['Library'],
    ['Desk'],
    ['Packing', 'Analysis', 'Sampling', 'Uploads', 'Checking', 'Transit', 'QueueEnd'],
    ['Teaching'],
    ['Shelf'],
    ['Watching', 'Store', 'Dispatch', 'History'],
    ['Resources'],
    ['Http'],
    ['Console'],
    ['Providers'],
];

/** Which classes of a root a file uses, as folder names below it. */
function usedFolders(string $file, string $root): array
{
    preg_match_all('~\b'.preg_quote($root, '~').'\\\\(\w+)\\\\~', (string) file_get_contents($file), $m);

    return array_values(array_unique($m[1]));
}

/** Every use that points up, as "file uses Folder". Layers that stand side by side do not use each other either, but for those allowed. */
function pointingUp(string $folder, string $root, array $layers, array $allowed = []): array
{
    $heights = [];
    foreach ($layers as $height => $names) {
        foreach ($names as $name) {
            $heights[$name] = $height;
        }
    }
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
        $own = explode('/', substr($file->getPathname(), strlen($folder) + 1))[0];
        if (! isset($heights[$own])) {
            $found[] = "{$file->getFilename()} lies in a folder without a layer: {$own}";

            continue;
        }
        foreach (usedFolders($file->getPathname(), $root) as $used) {
            $up = ! isset($heights[$used]) || $heights[$used] > $heights[$own] || ($heights[$used] === $heights[$own] && $used !== $own);
            if ($up && ! in_array("{$own} {$used}", $allowed, true)) {
                $found[] = "{$own}/{$file->getFilename()} uses {$used}";
            }
        }
    }

    return $found;
}

it('points down only: in the core', function () {
    expect(pointingUp(dirname(__DIR__, 2).'/core', 'OuterCrate', CORE))->toBe([]);
});

it('points down only: in the application', function () {
    expect(pointingUp(dirname(__DIR__, 2).'/app', 'App', APP))->toBe([]);
});

/**
 * Folders with a dependency cycle among their subfolders, at every depth. A folder's own files count as a subfolder called “.”.
 *
 * @return list<string> each as "Folder: the subfolders of the cycle, and those that lead into it"
 */
function nestedCycles(string $folder, string $namespace): array
{
    $uses = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
        $own = explode('/', substr($file->getPathname(), strlen($folder) + 1));
        preg_match_all('~^use '.preg_quote($namespace, '~').'\\\\([\\\\\w]+)~m', (string) file_get_contents($file->getPathname()), $m);
        foreach ($m[1] as $class) {
            $used = explode('\\', $class);
            // Find the deepest folder that contains both.
            for ($depth = 0; isset($own[$depth + 1], $used[$depth + 1]) && $own[$depth] === $used[$depth];) {
                $depth++;
            }
            $place = implode('/', array_slice($own, 0, $depth));
            [$from, $to] = [isset($own[$depth + 1]) ? $own[$depth] : '.', isset($used[$depth + 1]) ? $used[$depth] : '.'];
            $from === $to || $uses[$place][$from][$to] = true;
        }
    }
    $found = [];
    foreach ($uses as $place => $graph) {
        // Drop subfolders that use no remaining one: they are in no cycle.
        do {
            $before = $graph;
            $graph = array_filter(array_map(fn (array $to): array => array_intersect_key($to, $before), $graph));
        } while ($graph !== $before);
        $graph === [] || $found[] = $place.': '.implode(', ', array_keys($graph));
    }

    return $found;
}

it('has no dependency cycle between folders, at any depth', function (string $folder, string $namespace) {
    expect(nestedCycles(dirname(__DIR__, 2)."/{$folder}", $namespace))->toBe([]);
})->with([['core', 'OuterCrate'], ['app', 'App']]);

it('would notice an arrow that points up', function () {
    $folder = sys_get_temp_dir().'/outer-crate-arrows-'.bin2hex(random_bytes(4));
    mkdir("{$folder}/Units", recursive: true);
    file_put_contents("{$folder}/Units/Wrong.php", "<?php\nuse OuterCrate\\Planning\\Plan;\n");
    expect(pointingUp($folder, 'OuterCrate', CORE))->toBe(['Units/Wrong.php uses Planning']);
    unlink("{$folder}/Units/Wrong.php");
    rmdir("{$folder}/Units");
    rmdir($folder);
});

it('would notice a cycle between subfolders', function () {
    $folder = sys_get_temp_dir().'/outer-crate-cycles-'.bin2hex(random_bytes(4));
    foreach (['Cells' => 'Planning\\Rows\\Row', 'Rows' => 'Planning\\Cells\\Cell'] as $own => $used) {
        mkdir("{$folder}/Planning/{$own}", recursive: true);
        file_put_contents("{$folder}/Planning/{$own}/Own.php", "<?php\nuse OuterCrate\\{$used};\n");
    }
    expect(nestedCycles($folder, 'OuterCrate'))->toHaveCount(1);
    unlink("{$folder}/Planning/Cells/Own.php");
    expect(nestedCycles($folder, 'OuterCrate'))->toBe([]);
    unlink("{$folder}/Planning/Rows/Own.php");
    array_map(rmdir(...), ["{$folder}/Planning/Cells", "{$folder}/Planning/Rows", "{$folder}/Planning", $folder]);
});

it('draws the layers in docs/architecture.md as they are', function () {
    $drawing = (string) file_get_contents(dirname(__DIR__, 2).'/docs/architecture.md');
    foreach ([...CORE, ...array_slice(APP, 0, -1)] as $names) {
        foreach ($names as $name) {
            expect($drawing)->toContain("{$name}/");
        }
    }
});

it('knows the cells by name in their folders and in the plan alone', function () {
    $cells = 'Container|Video|FrameSize|FrameRate|Bitrate|Keyframes|Colour|Audio|File';
    $files = [];
    foreach (
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/core', FilesystemIterator::SKIP_DOTS)) as $file
    ) {
        $code = (string) file_get_contents($file->getPathname());
        // Three of them in one place are a list of cells, or a switch over them.
        if (
            preg_match_all("~\\b(?:{$cells})(?:Cell::NAME|Value::CELL)\\b~", $code, $m) > 0 &&
            count(array_unique($m[0])) > 2
        ) {
            $files[] = $file->getFilename();
        }
    }
    sort($files);
    expect($files)->toBe(['Draft.php', 'Plan.php']);
});

it('gives the functions of tests names of their own, as all test files are loaded together', function () {
    $owners = [];
    foreach (glob(dirname(__DIR__).'/{Core,Feature}/{,*/}*.php', GLOB_BRACE) as $file) {
        preg_match_all('~^function (\w+)~m', (string) file_get_contents($file), $m);
        foreach ($m[1] as $name) {
            $owners[$name][] = basename($file);
        }
    }
    expect($owners)->not->toBe([])
        ->and(array_filter($owners, fn (array $files): bool => count($files) > 1))->toBe([]);
});

it('has lines of at most 140 characters', function () {
    $long = [];
    $folders = ['core', 'app', 'config', 'database', 'tests', 'resources/js'];
    foreach ($folders as $folder) {
        $there = new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/{$folder}", FilesystemIterator::SKIP_DOTS);
        foreach (new RecursiveIteratorIterator($there) as $file) {
            // Class names of the page's styles are one word to the formatter; types.ts is generated.
            $read = in_array($file->getExtension(), ['php', 'ts', 'tsx', 'mjs'], true) && $file->getFilename() !== 'types.ts';
            foreach ($read ? file($file->getPathname(), FILE_IGNORE_NEW_LINES) : [] as $number => $line) {
                mb_strlen($line) <= 140 || str_contains($line, 'className=') ?: $long[] = "{$file->getPathname()}:".($number + 1);
            }
        }
    }
    expect($long)->toBe([]);
});

it('would notice a name, however it is written, and takes no method for a function', function () {
    $code = '<?php use App\Work\Kind; $a = new \Symfony\Component\Process\Process([]); $b->exec(1); Runner::copy(2); fopen("x", "r"); die;'
        .' function unlink() {}';
    expect(Sources::of($code))->toBe(['App\Work\Kind', 'Symfony\Component\Process\Process', 'fopen', 'die']);
});

it('keeps the core from the framework and the application', function () {
    expect(Sources::naming(['Illuminate\\', 'App\\', 'Symfony\\', 'Laravel\\', 'Opis\\'], ['core']))->toBe([]);
});

it('starts no process, reads no clock and opens no file in the core', function () {
    expect(Sources::naming([
        'exec', 'shell_exec', 'system', 'passthru', 'proc_open', 'popen', 'fopen', 'file_get_contents', 'file_put_contents',
        'time', 'microtime', 'date', 'rand', 'mt_rand', 'random_int',
    ], ['core']))->toBe([]);
});

it('is strict in the core, with classes that are whole', function () {
    $loose = [];
    foreach (array_keys(Sources::names('core')) as $file) {
        $code = (string) file_get_contents(dirname(__DIR__, 2)."/{$file}");
        $isOfBoxes = str_starts_with($file, 'core/Formats/Containers/IsoBaseMedia');
        if (! str_contains($code, 'declare(strict_types=1);') || (preg_match('~^abstract ~m', $code) === 1 && ! $isOfBoxes)) {
            $loose[] = $file;
        }
    }
    expect($loose)->toBe([]);
});

it('starts the engine in the runner alone, and services in the supervisor', function () {
    $starts = ['Symfony\Component\Process\Process', 'proc_open', 'exec', 'shell_exec', 'system', 'passthru', 'popen'];
    $mayStart = ['app/Engine/Runner.php', 'app/Engine/EngineProcess.php', 'app/Supervision/Program.php'];
    expect(Sources::naming($starts, ['core', 'app', 'standin/src'], $mayStart))->toBe([]);
});

it('needs no pcntl where pages are answered, which have none', function () {
    $mayNeed = '~^app/(Console|Supervision)/|^app/Work/SideBySide.php~';
    $needs = fn (string $file): bool => preg_match(
        '~^(?!\s*(//|\*|/\*)).*\b(SIG(HUP|INT|QUIT|KILL|USR[12]|SEGV|TERM|CHLD|CONT|STOP)|pcntl_\w+)\b~m',
        (string) file_get_contents(dirname(__DIR__, 2)."/{$file}"),
    ) === 1;
    $files = preg_grep($mayNeed, array_keys(Sources::names('app')), PREG_GREP_INVERT);
    expect(array_values(array_filter($files, $needs)))->toBe([]);
});

it('touches files of people in Media, and what arrives in Uploads', function () {
    $touches = [
        'fopen', 'unlink', 'rename', 'link', 'mkdir', 'rmdir', 'ftruncate', 'symlink', 'copy', 'Illuminate\Support\Facades\File',
    ];
    // The stand-in host is another application, with files of its own.
    // The supervisor has a folder of its own, and so have copies of the database and the sockets of workers.
    $may = ['app/Media/', 'app/Uploads/', 'app/Supervision/', 'app/Upkeep/', 'app/Work/Calls/LocalCalls.php'];
    expect(Sources::naming($touches, ['core', 'app'], $may))->toBe([]);
});

it('tells a person what went wrong through one interface', function (string $class) {
    expect(is_subclass_of($class, Refused::class))->toBeTrue();
})->with([
    'App\Engine\EngineFailed', 'App\Media\FileProblem', 'App\Packing\PackRefused', 'App\Library\UnknownName',
    'App\Library\BrokenFile', 'App\Http\InvalidPayload', 'App\Uploads\UploadRefused', 'App\Console\WrongUse',
    'OuterCrate\Reading\Unreadable',
]);

it('leaves nothing that was for looking inside', function () {
    $looks = ['dd', 'dump', 'ray', 'var_dump', 'die'];
    expect(Sources::naming($looks, ['core', 'app', 'standin/src', 'config', 'database', 'routes']))->toBe([]);
});
