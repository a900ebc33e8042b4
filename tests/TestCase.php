<?php

namespace Tests;

use App\Http\Contract;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use Tests\Support\Clips;

/** Every test has a database in memory and a folder of its own for media, deliveries and derived files. */
abstract class TestCase extends LaravelTestCase
{
    protected string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/outer-crate-test-'.bin2hex(random_bytes(6));
        foreach (['media', 'out', 'derived', 'uploads'] as $name) {
            mkdir("{$this->folder}/{$name}", 0o777, true);
        }
        config([
            'crate.media_folders' => ["{$this->folder}/media"],
            'crate.deliveries' => "{$this->folder}/out",
            'crate.derived' => "{$this->folder}/derived",
            'crate.uploads' => "{$this->folder}/uploads",
        ]);
        Artisan::call('migrate', ['--force' => true]);
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    /** Puts a tiny clip of the given kind into the media folder. */
    public function clip(string $kind = 'plain', ?string $name = null): string
    {
        $made = Clips::make($kind);
        $path = "{$this->folder}/media/".($name ?? basename($made));
        copy($made, $path);

        return $path;
    }

    public function file(string $name, string $content): string
    {
        file_put_contents("{$this->folder}/media/{$name}", $content);

        return "{$this->folder}/media/{$name}";
    }

    public function folder(string $name): string
    {
        return "{$this->folder}/{$name}";
    }

    /** The answer, held to its schema. */
    public function answer(TestResponse $response, string $schema, int $status = 200): array
    {
        $response->assertStatus($status);
        expect(app(Contract::class)->faults(json_decode($response->getContent()), $schema))->toBe([]);

        return $response->json();
    }

    public function bringIn(string $kind = 'plain', ?string $name = null): array
    {
        return $this->answer($this->postJson('/api/cuts', ['path' => $this->clip($kind, $name)]), 'cut-answer', 201)['cut'];
    }

    /** Runs the queue's worker until it has nothing left. */
    public function work(string $queue = 'default'): void
    {
        Artisan::call('queue:work', ['--queue' => $queue, '--stop-when-empty' => true, '--timeout' => 0, '--sleep' => 0, '--memory' => 4096]);
    }

    /** What is left lying in a folder, hidden files too. */
    public function left(string $name): array
    {
        return array_map(fn ($file): string => $file->getFilename(), File::allFiles($this->folder($name), true));
    }
}
