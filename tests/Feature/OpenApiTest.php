<?php

use App\Http\Api\OpenApi;
use Illuminate\Routing\Route;

it('describes every route of the API in one document', function () {
    $without = array_values(array_filter(
        app('router')->getRoutes()->getRoutes(),
        fn (Route $route): bool => str_starts_with($route->uri(), 'api/') && OpenApi::of($route) === null,
    ));
    // The document itself, and what answers unknown addresses.
    expect(array_map(fn (Route $route): string => $route->uri(), $without))->toBe(['api/openapi.json', 'api/{any}']);
});

it('serves a document whose references hold', function () {
    $document = $this->getJson('/api/openapi.json')->assertOk()->json();
    expect($document['openapi'])->toBe('3.1.0')
        ->and($document['info']['version'])->toBe(config('app.version'))
        ->and($document['paths']['/cuts/{cut}/sheet'])->toHaveKeys(['get', 'put']);
    preg_match_all('~"\$ref":"#([^"]*)"~', json_encode($document, JSON_UNESCAPED_SLASHES), $references);
    expect($references[1])->not->toBe([]);
    foreach (array_unique($references[1]) as $reference) {
        expect(data_get($document, explode('/', substr($reference, 1)), 'missing'))->not->toBe('missing', $reference);
    }
});
