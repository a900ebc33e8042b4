<?php

/*
 * Requests that are made up from the schemas, over all routes: what meets a schema, and what breaks it in ways that clients, scripts and
 * attackers break things. None may be answered with 500.
 */

use App\Models\Cut;
use App\Models\Run;
use App\Shelf\CutShelf;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;
use Symfony\Component\Process\Process;

/** What stands where something else belongs. */
const ODD = [
    null, true, false, 0, -1, 1.5, 9223372036854775807, 1e30, -1e300, '', ' ', "\0", "a\0b", '0', 'null', '../../etc/passwd', '/', '//',
    '/etc/..',
    "\u{202E}\u{FEFF}", '💥', 'éÅ', '<script>', "' or 1=1 --", '%00', '{}', [], [[]], ['a' => ['b' => ['c' => 1]]], [null],
];

/** Fields of an address that are no number, no text, no slug. */
const ODD_PARTS = [
    '0', '1', '2', '-1', '99999999999999999999', '9223372036854775807', 'abc', '%FF%FE', '%00', '..%2f..', '1e5', '💥', '1.5', 'a b', '',
];

final class MadeUpRequests
{
    /** @var array<string, array<mixed>> */
    private array $schemas = [];

    public function __construct(private readonly string $media)
    {
    }

    public function body(string $schema): mixed
    {
        return $this->value($this->schema("{$schema}.json"), 0);
    }

    /** @param  array<mixed>|bool  $schema */
    private function value(array|bool $schema, int $depth): mixed
    {
        if (random_int(1, 12) === 1) {
            return self::odd();
        }
        if (is_bool($schema) || $depth > 8) {
            return self::odd();
        }
        if (isset($schema['$ref'])) {
            [$file, $fragment] = explode('#', $schema['$ref'], 2) + [1 => ''];
            $target = $file === '' ? $schema['$root'] ?? [] : $this->schema($file);
            foreach (array_filter(explode('/', $fragment)) as $step) {
                $target = $target[$step] ?? [];
            }

            return $this->value($target, $depth + 1);
        }
        if (isset($schema['enum'])) {
            return $schema['enum'][array_rand($schema['enum'])];
        }
        if (array_key_exists('const', $schema)) {
            return $schema['const'];
        }
        foreach (['oneOf', 'anyOf', 'allOf'] as $choice) {
            if (isset($schema[$choice])) {
                return $this->value($schema[$choice][array_rand($schema[$choice])], $depth + 1);
            }
        }
        $types = (array) ($schema['type'] ?? 'object');

        return match ($types[array_rand($types)]) {
            'object' => $this->object($schema, $depth),
            'array' => array_map(
                fn (): mixed => $this->value($schema['items'] ?? true, $depth + 1),
                range(1, random_int(1, 3)),
            ),
            'string' => [fn (): string => $this->media, fn (): string => bin2hex(random_bytes(4)), fn (): string => 'review-720',
                fn (): string => str_repeat('x', random_int(0, 5000)), fn (): string => '10:00:00:00'][random_int(0, 4)](),
            'integer' => [0, 1, 25, -5, 2 ** 40, PHP_INT_MAX][random_int(0, 5)],
            'number' => [0, 0.5, 1e9, -3.25, 1e19][random_int(0, 4)],
            'boolean' => (bool) random_int(0, 1),
            default => null,
        };
    }

    /** @param  array<mixed>  $schema */
    private function object(array $schema, int $depth): object
    {
        $object = [];
        foreach ($schema['properties'] ?? [] as $name => $of) {
            $isRequired = in_array($name, $schema['required'] ?? [], true);
            if ($isRequired ? random_int(1, 15) > 1 : random_int(0, 1) === 1) {
                $object[$name] = $this->value($of, $depth + 1);
            }
        }
        random_int(1, 20) > 1 ?: $object[bin2hex(random_bytes(3))] = self::odd();

        return (object) $object;
    }

    private static function odd(): mixed
    {
        return ODD[array_rand(ODD)];
    }

    /** @return array<mixed> */
    private function schema(string $file): array
    {
        return $this->schemas[$file] ??= json_decode((string) file_get_contents(resource_path("schema/{$file}")), true);
    }
}

/** Which schema a route holds its body to, as its code says. */
function schemaOf(Illuminate\Routing\Route $route): ?string
{
    [$class, $method] = explode('@', $route->getActionName()) + [1 => '__invoke'];
    if ($class === 'Closure' || ! class_exists($class) || ! method_exists($class, $method)) {
        return null;
    }
    $of = new ReflectionMethod($class, $method);
    $lines = array_slice(file((string) $of->getFileName()), $of->getStartLine() - 1, $of->getEndLine() - $of->getStartLine() + 1);

    return preg_match("~Payload::of\(\\\$request, '([\w-]+)'~", implode('', $lines), $m) === 1 ? $m[1] : null;
}

/** @return list<string> requests that were answered with 500, and how many were made of each status */
function sendMadeUp(int $times, string $scratch): array
{
    $file = "{$scratch}/media/made-up.mp4";
    (new Process([
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=1', '-c:v', 'libx264', '-preset', 'ultrafast', $file,
    ]))->mustRun();
    app(CutShelf::class)->bringIn($file, null, false);
    $makeUp = new MadeUpRequests($file);
    $routes = array_values(array_filter(
        iterator_to_array(Route::getRoutes()),
        fn (Illuminate\Routing\Route $route): bool => str_starts_with($route->uri(), 'api/'),
    ));
    $kernel = app(Kernel::class);
    $broken = [];
    $statuses = [];
    for ($i = 0; $i < $times; $i++) {
        // What was taken away on the way is there again.
        $i % 30 === 0 ? app(CutShelf::class)->bringIn($file, null, false) : null;
        $route = $routes[$i % count($routes)];
        $methods = array_values(array_diff($route->methods(), ['HEAD']));
        $method = $methods[array_rand($methods)];
        $uri = '/'.preg_replace_callback('~\{(\w+)\??\}~', fn (array $m): string => match (true) {
            random_int(1, 7) === 1 => ODD_PARTS[array_rand(ODD_PARTS)],
            $m[1] === 'cut' => (string) (Cut::query()->inRandomOrder()->value('id') ?? 1),
            $m[1] === 'run' => (string) (Run::query()->inRandomOrder()->value('id') ?? 1),
            $m[1] === 'kind' => ['preset', 'host'][random_int(0, 1)],
            in_array($m[1], ['slug', 'preset'], true) => 'review-720',
            $m[1] === 'host' => 'lanternwick',
            default => (string) random_int(1, 3),
        }, $route->uri());
        if (random_int(1, 6) === 1) {
            $names = [
                'since', 'first', 'latest', 'cut', 'presets', 'hosts', 'file', 'text', 'again', 'columns', 'last', 'large', 'search',
                'offset',
            ];
            $values = ['=1', '[]=1', '[a][b]=2', '=%FF', '=99999999999999999999', '=', '=-1', '=abc', '=%00', '[]=%FF'];
            $one = fn (): string => $names[array_rand($names)].$values[array_rand($values)];
            $uri .= "?{$one()}&{$one()}";
        }
        $schema = schemaOf($route);
        $content = $method === 'GET' ? null : match (random_int(1, 30)) {
            1 => '', 2 => '{', 3 => '[]', 4 => "\xff\xfe", 5 => '"'.str_repeat('[', 200),
            default => json_encode($schema === null ? ODD[array_rand(ODD)] : $makeUp->body($schema), JSON_INVALID_UTF8_SUBSTITUTE) ?: '',
        };
        $request = Request::create($uri, $method, server: ['REMOTE_ADDR' => '127.0.0.1', 'HTTP_HOST' => '127.0.0.1'], content: $content);
        $request->headers->set('Content-Type', random_int(1, 20) === 1 ? 'text/plain' : 'application/json');
        str_starts_with($route->uri(), 'api/uploads') && random_int(0, 1) === 1
            ? $request->headers->add([
                'Tus-Resumable' => '1.0.0', 'Upload-Length' => (string) random_int(0, 10),
                'Content-Type' => 'application/offset+octet-stream',
                'Upload-Offset' => ['0', '1', '-1', 'x', str_repeat('9', 19)][random_int(0, 4)],
            ])
            : null;
        ob_start();
        $response = $kernel->handle($request);
        ob_end_clean();
        $status = $response->getStatusCode();
        $statuses[$status] = ($statuses[$status] ?? 0) + 1;
        if ($status >= 500 && ! in_array($status, [503], true)) {
            $broken["{$method} {$route->uri()}"] ??= "{$method} {$uri} ".mb_strcut((string) $content, 0, 300);
        }
        // As after each request of PHP-FPM.
        app()->forgetScopedInstances();
        app('auth')->forgetGuards();
    }
    ksort($statuses);

    return [array_values($broken), $statuses];
}
