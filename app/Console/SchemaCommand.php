<?php

namespace App\Console;

use App\Http\Api\OpenApi;
use Illuminate\Console\Command;
use OuterCrate\Planning\Sheet\Schemas;

/** Writes the schemas that are made of the cells and the outline of the OpenAPI document, for readers and for the page's types. */
class SchemaCommand extends Command
{
    protected $signature = 'crate:schema {--check : Only say whether they are current}';

    protected $description = 'Write resources/schema/{rules,edits,values,words}.json and resources/openapi.json';

    public function handle(Schemas $schemas, OpenApi $api): int
    {
        $stale = [];
        foreach ([...$schemas->documents(), 'openapi' => $api->outline()] as $name => $document) {
            $path = resource_path($name === 'openapi' ? 'openapi.json' : "schema/{$name}.json");
            $text = json_encode($document, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR)."\n";
            if (@file_get_contents($path) === $text) {
                continue;
            }
            $stale[] = $name;
            $this->option('check') ?: file_put_contents($path, $text);
        }
        if ($stale !== [] && $this->option('check')) {
            $this->error('Not current: '.implode(', ', $stale).'. Run php artisan crate:schema.');

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}
