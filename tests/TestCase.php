<?php

namespace Tests;

use App\Desk\CutDesk;
use App\Engine\Prober;
use App\Http\Api\OpenApi;
use App\Media\Posters;
use App\Models\Cut;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Schema\Contract;
use App\Work\Worker;
use Closure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\File;
use Illuminate\Testing\TestResponse;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\Process;
use Tests\Support\Clips;
use Tests\Support\KnownPosters;
use Tests\Support\KnownProber;
use Tests\Support\TestDatabase;

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
            'crate.volumes.deliveries' => "{$this->folder}/out",
        ]);
        TestDatabase::begin();
    }

    protected function tearDown(): void
    {
        TestDatabase::end();
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

    /** The answer, held to its schema and to what the OpenAPI document says of it. */
    public function answer(TestResponse $response, string $schema, int $status = 200): array
    {
        $response->assertStatus($status);
        $route = $response->baseRequest?->route();
        $documented = $route instanceof Route ? OpenApi::of($route) : null;
        if ($documented !== null && $status < 300) {
            expect($documented->answer)->toBe($schema, "The attribute of {$route->uri()} is wrong.")
                ->and($documented->statuses())->toContain($status);
        }
        expect(app(Contract::class)->faults(json_decode($response->getContent()), $schema))->toBe([]);

        return $response->json();
    }

    public function bringIn(string $kind = 'plain', ?string $name = null): array
    {
        $path = $this->clip($kind, $name);
        foreach ([Prober::class => KnownProber::class, Posters::class => KnownPosters::class] as $class => $known) {
            $this->app->bind($class, $known);
        }
        try {
            return $this->answer($this->postJson('/api/cuts', ['path' => $path]), 'cut-answer', 201)['cut'];
        } finally {
            $this->app->offsetUnset(Prober::class);
            $this->app->offsetUnset(Posters::class);
        }
    }

    /** What bin/crate says of these arguments, called from the folder for media, with a database of its own. */
    public function crate(string ...$arguments): Process
    {
        $process = new Process([base_path('bin/crate'), ...$arguments], $this->folder('media'), [
            ...TestDatabase::another($this->folder),
            'CRATE_DERIVED' => $this->folder('derived'),
            'CACHE_STORE' => 'file',
            'APP_ENV' => 'production',
        ], null, 120);
        $process->run();

        return $process;
    }

    /** Takes work in hand until there is none left. */
    public function work(string ...$kinds): void
    {
        $worker = app(Worker::class);
        while ($worker->one($kinds === [] ? ['make'] : $kinds)) {
            continue;
        }
    }

    /** Columns of outputs for a cut whose files go to the folder of this test. */
    public function columns(Cut $cut, array $outputs, ?FrameRange $range = null): array
    {
        return app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, $range, $this->folder('out'));
    }

    /** Queues outputs of a cut, and gives their runs. */
    public function queued(Cut $cut, array $outputs, ?FrameRange $range = null): Collection
    {
        return app(Packer::class)->pack($cut, $this->columns($cut, $outputs, $range), $this->folder('out'));
    }

    /** Makes one output of a cut, and gives its run. */
    public function made(Cut $cut, array $output, ?FrameRange $range = null): Run
    {
        return $this->make($this->queued($cut, [$output], $range)[0]);
    }

    public function make(Run $run, ?Closure $onProgress = null): Run
    {
        app(Worker::class)->one(['make'], only: [$run->work->id], onProgress: $onProgress);

        return $run->refresh();
    }

    /** A run that stands as it is said here, without ever having been packed. */
    public function aRun(array $attributes = [], WorkState $state = WorkState::Waiting, array $work = []): Run
    {
        $made = ['cut_name' => 'x', 'source' => '/x', 'name' => 'x', 'file' => '/x', 'plan' => ['frames' => 100]];
        $run = Run::query()->create(
            $attributes + $made + ['pack' => '00000000-0000-4000-8000-000000000000'],
        );
        Work::query()->create(
            $work + [
                'kind' => Run::WORK,
                'subject' => $run->id,
                'state' => $state,
                'priority' => 30,
                'lease_until' => Work::now(60),
                'owner' => 'another',
            ],
        );

        return $run->refresh();
    }

    /** What is left lying in a folder, hidden files too. */
    public function left(string $name): array
    {
        return array_map(fn ($file): string => $file->getFilename(), File::allFiles($this->folder($name), true));
    }
}
