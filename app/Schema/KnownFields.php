<?php

namespace App\Schema;

use stdClass;

/** Tells what a schema knows of some JSON from what it does not: files of another hand may say more than this version reads. */
final class KnownFields
{
    /** @var array<string, stdClass> documents by name */
    private static array $documents = [];

    /** The data without what its schema does not know. */
    public static function only(mixed $data, string $schema): mixed
    {
        $unknown = [];

        return self::kept($data, [self::document("{$schema}.json")], "{$schema}.json", '', $unknown);
    }

    /** @return list<string> places that the schema does not know */
    public static function unknown(mixed $data, string $schema): array
    {
        $unknown = [];
        self::kept($data, [self::document("{$schema}.json")], "{$schema}.json", '', $unknown);

        return $unknown;
    }

    /**
     * @param  list<mixed>  $schemas  that the value may meet
     * @param  list<string>  $unknown
     */
    private static function kept(mixed $value, array $schemas, string $document, string $path, array &$unknown): mixed
    {
        [$shapes, $documents] = self::shapes($schemas, $document);
        if (is_array($value)) {
            $items = self::parts($shapes, $documents, 'items', null);

            return array_map(
                fn (mixed $part, int $i): mixed => self::kept($part, $items['schemas'], $items['document'], "{$path}/{$i}", $unknown),
                $value,
                array_keys($value),
            );
        }
        if (! $value instanceof stdClass) {
            return $value;
        }
        $kept = new stdClass;
        foreach (get_object_vars($value) as $name => $part) {
            $known = self::parts($shapes, $documents, 'properties', (string) $name);
            if ($known['schemas'] === [] && $shapes !== []) {
                $unknown[] = ltrim("{$path}/{$name}", '/');

                continue;
            }
            $kept->{$name} = self::kept($part, $known['schemas'], $known['document'], "{$path}/{$name}", $unknown);
        }

        return $kept;
    }

    /**
     * The shapes of objects and lists among alternatives, references followed.
     *
     * @param  list<mixed>  $schemas
     * @return array{list<stdClass>, list<string>} shapes, and the document that each stands in
     */
    private static function shapes(array $schemas, string $document): array
    {
        $shapes = [];
        $documents = [];
        foreach ($schemas as $schema) {
            if (! $schema instanceof stdClass) {
                continue;
            }
            if (isset($schema->{'$ref'})) {
                [$file, $pointer] = explode('#', (string) $schema->{'$ref'}, 2) + [1 => ''];
                $in = $file === '' ? $document : $file;
                [$more, $from] = self::shapes([self::at(self::document($in), $pointer)], $in);
            } else {
                [$more, $from] = self::shapes([...(array) ($schema->oneOf ?? []), ...(array) ($schema->anyOf ?? [])], $document);
                if (isset($schema->properties) || isset($schema->items)) {
                    [$more[], $from[]] = [$schema, $document];
                }
            }
            [$shapes, $documents] = [[...$shapes, ...$more], [...$documents, ...$from]];
        }

        return [$shapes, $documents];
    }

    /**
     * @param  list<stdClass>  $shapes
     * @param  list<string>  $documents
     * @return array{schemas: list<mixed>, document: string}
     */
    private static function parts(array $shapes, array $documents, string $keyword, ?string $name): array
    {
        $schemas = [];
        $document = '';
        foreach ($shapes as $i => $shape) {
            $part = $name === null ? $shape->{$keyword} ?? null : $shape->{$keyword}->{$name} ?? null;
            if ($part !== null) {
                $schemas[] = $part;
                $document = $documents[$i];
            }
        }

        return ['schemas' => $schemas, 'document' => $document];
    }

    private static function at(mixed $document, string $pointer): mixed
    {
        foreach (array_filter(explode('/', $pointer), fn (string $step): bool => $step !== '') as $step) {
            $document = $document->{$step} ?? null;
        }

        return $document;
    }

    private static function document(string $file): stdClass
    {
        return self::$documents[$file] ??= json_decode((string) file_get_contents(resource_path("schema/{$file}")), false, 64);
    }
}
