<?php

namespace App\Http\Api;

use App\Http\QueryParameters;
use Illuminate\Routing\Route;
use Illuminate\Routing\Router;
use ReflectionMethod;
use stdClass;

/** The API as one OpenAPI document, made of the routes, the actions' attributes and the schemas (OpenAPI 3.1.0). */
final readonly class OpenApi
{
    public function __construct(private Router $router)
    {
    }

    /** @return array<string, mixed> */
    public function document(): array
    {
        return [...$this->outline(), 'components' => ['schemas' => self::schemas()]];
    }

    /** @return array<string, mixed> the document without the schemas */
    public function outline(): array
    {
        $paths = [];
        foreach ($this->operations() as [$method, $path, $operation, $summary]) {
            $paths["/{$path}"][strtolower($method)] = array_filter([
                'summary' => $summary,
                'parameters' => [...self::inPath($path), ...array_map(self::inQuery(...), $operation->query)],
                'requestBody' => self::body($operation),
                'responses' => array_fill_keys($operation->statuses(), self::answer($operation))
                    + ['default' => self::json('What went wrong, and what to do.', 'error')],
            ], fn (mixed $part): bool => $part !== null && $part !== []);
        }

        return [
            'openapi' => '3.1.0',
            'info' => ['title' => (string) config('app.name'), 'version' => (string) config('app.version')],
            'servers' => [['url' => '/api']],
            'paths' => $paths,
        ];
    }

    public static function of(Route $route): ?Operation
    {
        $attributes = self::action($route)?->getAttributes(Operation::class) ?? [];

        return $attributes === [] ? null : $attributes[0]->newInstance();
    }

    /** @return list<array{string, string, Operation, ?string}> method, path below /api, operation, summary */
    public function operations(): array
    {
        $operations = [];
        foreach ($this->router->getRoutes()->getRoutes() as $route) {
            $operation = self::of($route);
            if ($operation === null) {
                continue;
            }
            $comment = (string) self::action($route)?->getDocComment();
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $path = str_replace('?', '', substr($route->uri(), strlen('api/')));
                $operations[] = [$method, $path, $operation, self::summary($comment)];
            }
        }

        return $operations;
    }

    /** The first sentence of a docblock. */
    private static function summary(string $comment): ?string
    {
        $text = trim((string) preg_replace('~\s*\n\s*\* ?|^/\*\*|\*/$~', ' ', $comment));

        return preg_match('~^[^@]+?[.;:](?= |$)~', $text, $found) === 1 ? rtrim($found[0], ':;.').'.' : null;
    }

    private static function action(Route $route): ?ReflectionMethod
    {
        $action = $route->getAction('controller');
        if (! is_string($action)) {
            return null;
        }
        [$class, $method] = explode('@', $action) + [1 => '__invoke'];

        return new ReflectionMethod($class, $method);
    }

    /** @return list<array<string, mixed>> */
    private static function inPath(string $path): array
    {
        preg_match_all('~\{(\w+)\}~', $path, $names);

        return array_map(fn (string $name): array => [
            'name' => $name, 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string'],
        ], $names[1]);
    }

    /** @return array<string, mixed> */
    private static function inQuery(string $name): array
    {
        return [
            'name' => QueryParameters::isList($name) ? "{$name}[]" : $name, 'in' => 'query', 'schema' => QueryParameters::schema($name),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function body(Operation $operation): ?array
    {
        return match (true) {
            $operation->request !== null => [
                'required' => $operation->isBodyRequired,
                'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$operation->request}"]]],
            ],
            $operation->body !== null => ['content' => [$operation->body => new stdClass]],
            default => null,
        };
    }

    /** @return array<string, mixed> */
    private static function answer(Operation $operation): array
    {
        return match (true) {
            $operation->answer !== null => self::json('The answer.', $operation->answer),
            $operation->media !== null => ['description' => 'A file.', 'content' => [$operation->media => new stdClass]],
            default => ['description' => 'No content.'],
        };
    }

    /** @return array<string, mixed> */
    private static function json(string $description, string $schema): array
    {
        return [
            'description' => $description,
            'content' => ['application/json' => ['schema' => ['$ref' => "#/components/schemas/{$schema}"]]],
        ];
    }

    /** @return array<string, mixed> the schemas by name, with references that hold within the document */
    private static function schemas(): array
    {
        $schemas = [];
        foreach (glob(resource_path('schema/*.json')) ?: [] as $path) {
            $name = basename($path, '.json');
            $schema = json_decode((string) file_get_contents($path), false, flags: JSON_THROW_ON_ERROR);
            unset($schema->{'$id'}, $schema->{'$schema'});
            self::within($schema, $name);
            $schemas[$name] = $schema;
        }

        return $schemas;
    }

    private static function within(mixed $schema, string $name): void
    {
        foreach (is_iterable($schema) || $schema instanceof stdClass ? (array) $schema : [] as $key => $part) {
            if ($key === '$ref' && is_string($part) && $schema instanceof stdClass) {
                [$file, $place] = explode('#', $part) + [1 => ''];
                $schema->{'$ref'} = '#/components/schemas/'.($file === '' ? $name : basename($file, '.json')).$place;
            }
            self::within($part, $name);
        }
    }
}
