<?php

namespace App\Schema;

use Illuminate\Support\Facades\Cache;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use OuterCrate\Planning\Sheet\Schemas;

/** Holds JSON to the schemas in resources/schema. */
class Contract
{
    private const PREFIX = Schemas::ADDRESS;

    private ?Validator $validator = null;

    /**
     * Where and how the data breaks its schema; empty when it does not.
     *
     * @param  string|null  $unchanging  path of the file the data came from: a file that passed once is not held to the schema again
     * @return list<array{path: string, text: string, says: string}> `says` is for a person
     */
    public function faults(mixed $data, string $schema, ?string $unchanging = null): array
    {
        if ($unchanging !== null) {
            $schemas = filemtime(resource_path("schema/{$schema}.json")).filemtime(resource_path('schema/rules.json'));
            $key = 'contract:'.md5($unchanging.filemtime($unchanging).$schemas);
            if (Cache::has($key)) {
                return [];
            }
        }
        $error = $this->validator()
            ->validate($data, self::PREFIX.$schema.'.json')
            ->error();
        if ($error === null) {
            if (isset($key)) {
                Cache::forever($key, true);
            }

            return [];
        }
        $faults = [];
        $formatter = new ErrorFormatter;
        $told = fn (ValidationError $leaf): array => [
            'path' => '/'.implode('/', $leaf->data()->fullPath()),
            'text' => $formatter->formatErrorMessage($leaf),
            'says' => Sentence::of($leaf),
        ];
        foreach ($formatter->formatFlat($error, $told) as $fault) {
            $faults[] = $fault;
        }
        // The deepest place is the one to look at; the faults around it only repeat it.
        usort($faults, fn (array $a, array $b): int => strlen($b['path']) <=> strlen($a['path']));

        return $faults;
    }

    private function validator(): Validator
    {
        if ($this->validator === null) {
            $this->validator = new Validator;
            $this->validator->resolver()?->registerPrefix(self::PREFIX, resource_path('schema'));
        }

        return $this->validator;
    }
}
