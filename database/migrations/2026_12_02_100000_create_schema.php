<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The schema of version 1.0. A database that the last version before 1.0 left behind has it already. */
return new class extends Migration
{
    public function up(): void
    {
        if (Schema::hasTable('cuts')) {
            if (! DB::table('migrations')->where('migration', '2026_12_02_000005_give_parts_columns')->exists()) {
                throw new RuntimeException('Start the last version before 1.0 once to upgrade this database, then start this version.');
            }
            DB::table('migrations')->delete();

            return;
        }
        $this->cuts();
        $this->work();
        $this->files();
        $this->library();
        $this->knowledge();
        $this->transfers();
        $this->people();
    }

    /** Cuts: what was read, the sheet, what analysis found. */
    private function cuts(): void
    {
        Schema::create('cuts', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('path', 4096);
            $table->bigInteger('bytes');
            $table->bigInteger('modified'); // Unix time of the file when it was read
            $table->json('card'); // what the shelf shows
            $table->json('probe'); // the prober's answer, from which the reading is made
            $table->json('outputs'); // the sheet: preset, host and edits of each column
            $table->string('fingerprint', 64)->nullable(); // size, and a hash of start, middle and end
            $table->json('range')->nullable(); // first and last frame to deliver; null for all
            $table->integer('sheet_version')->default(1);
            $table->timestamp('taken_off_at', 3)->nullable();
            $table->json('pieces')->nullable();
            $table->text('search')->default('');
            $table->bigInteger('pixels')->default(0);
            $table->double('frame_rate')->default(0);
            $table->string('video')->default('');
            $table->string('colour')->default('');
            $table->string('audio')->default('');
            $table->double('seconds')->default(0);
            $table->timestamps(3);
            $table->unique('path');
            $table->index('fingerprint');
            $table->index(['taken_off_at', 'audio', 'id']);
            $table->index(['taken_off_at', 'bytes', 'id']);
            $table->index(['taken_off_at', 'colour', 'id']);
            $table->index(['taken_off_at', 'frame_rate', 'id']);
            $table->index(['taken_off_at', 'id']);
            $table->index(['taken_off_at', 'pixels', 'id']);
            $table->index(['taken_off_at', 'search', 'id']);
            $table->index(['taken_off_at', 'seconds', 'id']);
            $table->index(['taken_off_at', 'video', 'id']);
        });

        Schema::create('sheet_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->integer('version');
            $table->json('range')->nullable();
            $table->json('outputs');
            $table->timestamps(3);
            $table->unique(['cut_id', 'version']);
        });

        Schema::create('analyses', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->integer('version');
            $table->json('result')->nullable();
            $table->timestamps(3);
            $table->unique('cut_id');
        });

        Schema::create('samples', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->string('key', 32); // digest of settings and range
            $table->json('result')->nullable(); // null while it waits; false if samples could not be encoded
            $table->json('plan')->nullable();
            $table->timestamps(3);
            $table->unique(['cut_id', 'key']);
        });
    }

    /** Work: one queue, its workers, and what they learned of their speed. */
    private function work(): void
    {
        Schema::create('works', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 16);
            $table->bigInteger('subject'); // id of a run, an analysis, a sample …
            $table->string('state', 16);
            $table->smallInteger('priority');
            $table->string('owner', 200)->nullable(); // the worker that has claimed it
            $table->timestamp('lease_until', 3)->nullable();
            $table->integer('attempts')->default(0);
            $table->integer('lost')->default(0); // times that an owner ended without a word
            $table->boolean('stop_asked')->default(false);
            $table->smallInteger('percent')->default(0);
            $table->bigInteger('frames')->default(0);
            $table->decimal('speed', 10, 2)->nullable(); // frames per second
            $table->integer('seconds_left')->nullable();
            $table->text('error')->nullable();
            $table->timestamp('wanted_at', 3)->nullable(); // when somebody last waited for it
            $table->timestamp('started_at', 3)->nullable();
            $table->timestamp('ended_at', 3)->nullable();
            $table->bigInteger('place')->default(0); // lower comes first
            $table->boolean('paused')->default(false);
            $table->json('detail')->nullable(); // of the pass in progress
            $table->timestamp('not_before', 3)->nullable(); // when a temporary failure is tried again
            $table->double('expected_seconds')->nullable();
            $table->timestamps(3);
            $table->unique(['kind', 'subject']);
            $table->index(['kind', 'state', 'place']);
            $table->index(['kind', 'updated_at']);
            $table->index(['state', 'priority']);
        });

        Schema::create('workers', function (Blueprint $table): void {
            $table->string('owner', 200)->primary();
            $table->string('host', 128);
            $table->json('kinds');
            $table->smallInteger('cores');
            $table->string('engine', 64)->nullable();
            $table->string('misses', 1024)->nullable();
            $table->timestamp('seen_at', 3);
            $table->timestamps(3);
            $table->index('seen_at');
        });

        Schema::create('speeds', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->bigInteger('pixels_per_second');
            $table->timestamps(3);
        });

        Schema::create('queue_ends', function (Blueprint $table): void {
            $table->id();
            $table->timestamp('ended_at', 3);
            $table->json('told');
        });
    }

    /** Files: runs, their logs and parts, the list of all deliveries. */
    private function files(): void
    {
        Schema::create('runs', function (Blueprint $table): void {
            $table->id();
            $table->uuid('pack');
            $table->foreignId('cut_id')->nullable()->constrained()->nullOnDelete();
            $table->string('cut_name');
            $table->string('source', 4096); // path of the cut
            $table->string('name');
            $table->string('file', 4096); // path of the result
            $table->json('plan'); // what pages show
            $table->json('slip')->nullable();
            $table->integer('sent_seconds')->nullable(); // time its upload took
            $table->timestamp('sent_at', 3)->nullable();
            $table->json('card')->default('{}'); // what strip and queue show
            $table->string('same', 32)->nullable(); // equal for runs that make the same file
            $table->json('cut_state')->nullable(); // size, time and fingerprint of the cut when it was packed
            $table->timestamp('cleared_at', 3)->nullable(); // removed from the queue's page
            $table->string('output', 64)->nullable(); // key of its column on the sheet
            $table->boolean('recalled')->default(false);
            $table->bigInteger('queue_end_id')->nullable();
            $table->timestamp('gone_at', 3)->nullable();
            $table->json('document')->nullable(); // the stored plan (core/Documents)
            $table->timestamps(3);
            $table->index(['cleared_at', 'id']);
            $table->index('cut_id');
            $table->index('file');
            $table->index('pack');
            $table->index('queue_end_id');
            $table->index('same');
            $table->index('sent_at');
            $table->index('updated_at');
        });

        Schema::create('run_logs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->timestamp('at', 3);
            $table->string('kind', 16);
            $table->text('text');
            $table->decimal('seconds', 12, 3)->nullable();
            $table->index('run_id');
        });

        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->smallInteger('number');
            $table->bigInteger('first');
            $table->bigInteger('last');
            $table->json('plan');
            $table->smallInteger('pass')->default(0);
            $table->bigInteger('average')->nullable(); // bits per second
            $table->double('full')->nullable(); // seconds of buffer at its end
            $table->string('digest', 32)->default(''); // of the plan
            $table->foreignId('gathered_id')->nullable()->constrained('parts')->cascadeOnDelete(); // the part with its first pass
            $table->bigInteger('aim')->nullable(); // bits per second that the encoder was told
            $table->timestamps(3);
            $table->index(['run_id', 'digest']);
        });

        Schema::create('deliveries', function (Blueprint $table): void {
            $table->id();
            $table->bigInteger('run_id');
            $table->string('pack', 36);
            $table->bigInteger('cut_id')->nullable();
            $table->text('cut_name');
            $table->text('file');
            $table->string('role');
            $table->string('preset');
            $table->string('preset_name');
            $table->string('host')->nullable();
            $table->string('host_name')->nullable();
            $table->bigInteger('bytes');
            $table->integer('differences');
            $table->text('search');
            $table->timestamp('made_at', 3);
            $table->boolean('is_stored')->default(true);
            $table->bigInteger('first_frame')->default(0);
            $table->bigInteger('last_frame')->default(0);
            $table->unique('run_id');
            $table->index(['cut_id', 'made_at', 'id']);
            $table->index(['host', 'made_at', 'id']);
            $table->index(['is_stored', 'cut_id', 'bytes']);
            $table->index(['is_stored', 'cut_name', 'run_id']);
            $table->index(['made_at', 'id']);
            // SQLite scans this index instead of the wider rows. PostgreSQL limits the length of index entries.
            DB::getDriverName() !== 'sqlite' ?: $table->index(['made_at', 'id', 'search']);
            $table->index(['preset', 'made_at', 'id']);
        });

        Schema::create('cleared_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_id')->constrained()->cascadeOnDelete();
            $table->string('path', 2048);
            $table->string('cleared', 2048);
            $table->bigInteger('bytes');
            $table->timestamps(3);
            $table->unique('run_id');
        });
    }

    /** Presets and hosts: own items, their versions, how often each is used. */
    private function library(): void
    {
        Schema::create('library_items', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 10);
            $table->string('slug', 80);
            $table->integer('version'); // the current one
            $table->timestamp('removed_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['kind', 'slug']);
        });

        Schema::create('library_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained('library_items')->cascadeOnDelete();
            $table->integer('version');
            $table->text('note');
            $table->text('file'); // in the open format
            $table->timestamps(3);
            $table->unique(['item_id', 'version']);
        });

        Schema::create('library_uses', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 10);
            $table->string('slug', 80);
            $table->integer('uses');
            $table->timestamps(3);
            $table->unique(['kind', 'slug']);
        });
    }

    /** Tests of what survives a host, and lessons learned from real uploads. */
    private function knowledge(): void
    {
        Schema::create('transit_tests', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->string('host');
            $table->json('card'); // what lists show
            $table->json('asked'); // host, candidates' plans, screens, samples, weights
            $table->json('result')->nullable();
            $table->json('made')->nullable(); // files of the cache that it used
            $table->timestamps(3);
        });

        Schema::create('transit_proofs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('transit_test_id')->constrained()->cascadeOnDelete();
            $table->foreignId('cut_id')->constrained()->cascadeOnDelete();
            $table->string('fingerprint', 64); // of the cut that was tested
            $table->json('uploads');
            $table->timestamps(3);
            $table->unique('transit_test_id');
            $table->index('cut_id');
        });

        Schema::create('teachings', function (Blueprint $table): void {
            $table->id();
            $table->string('host');
            $table->json('asked');
            $table->json('result')->nullable();
            $table->string('saved_as')->nullable();
            $table->timestamps(3);
        });
    }

    /** Files in and out: uploads from browsers, watch folders, dispatches to hosts. */
    private function transfers(): void
    {
        Schema::create('uploads', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->string('name', 1024);
            $table->bigInteger('length');
            $table->string('file', 4096)->nullable(); // path, once it is complete
            $table->string('sha256', 64)->nullable();
            $table->timestamp('expires_at', 3);
            $table->timestamps(3);
            $table->index('expires_at');
        });

        Schema::create('watch_folders', function (Blueprint $table): void {
            $table->id();
            $table->string('path', 1024);
            $table->json('outputs');
            $table->timestamps(3);
            $table->unique('path');
        });

        Schema::create('watched_files', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('watch_folder_id')->constrained()->cascadeOnDelete();
            $table->string('name', 512);
            $table->string('state', 16);
            $table->bigInteger('bytes');
            $table->bigInteger('modified');
            $table->timestamp('since', 3);
            $table->string('error', 2048)->nullable();
            $table->string('pack', 64)->nullable();
            $table->timestamps(3);
            $table->unique(['watch_folder_id', 'name']);
        });

        Schema::create('host_accounts', function (Blueprint $table): void {
            $table->id();
            $table->string('host');
            $table->string('name');
            $table->string('connection');
            $table->string('address', 1024);
            $table->text('token')->nullable();
            $table->timestamp('expires_at')->nullable();
            $table->json('takes');
            $table->timestamp('forgotten_at')->nullable();
            $table->timestamps();
            $table->unique(['host', 'name']);
        });

        Schema::create('detail_templates', function (Blueprint $table): void {
            $table->id();
            $table->string('host');
            $table->string('name');
            $table->json('details');
            $table->integer('number');
            $table->timestamps();
            $table->unique(['host', 'name']);
        });

        Schema::create('dispatches', function (Blueprint $table): void {
            $table->id();
            $table->uuid('key');
            $table->foreignId('host_account_id')->constrained();
            $table->foreignId('run_id')->nullable()->constrained()->nullOnDelete();
            $table->bigInteger('in_place_of')->nullable();
            $table->string('cut_name');
            $table->string('file', 4096);
            $table->bigInteger('bytes')->default(0);
            $table->string('sha256', 64)->nullable();
            $table->string('stage');
            $table->string('problem', 1024)->nullable();
            $table->string('place', 2048)->nullable();
            $table->bigInteger('sent')->default(0);
            $table->double('seconds')->default(0);
            $table->integer('restarts')->default(0);
            $table->integer('failures')->default(0);
            $table->string('remote_id')->nullable();
            $table->json('remote')->nullable();
            $table->json('details');
            $table->json('captions');
            $table->string('thumbnail', 4096)->nullable();
            $table->string('visibility');
            $table->string('release')->nullable();
            $table->timestamp('release_at')->nullable();
            $table->timestamp('not_before')->nullable();
            $table->timestamp('arrived_at')->nullable();
            $table->timestamp('released_at')->nullable();
            $table->json('came_back')->nullable();
            $table->bigInteger('teaching_id')->nullable();
            $table->json('record');
            $table->timestamps();
            $table->unique('key');
        });
    }

    /** Settings, users, and who changed what. */
    private function people(): void
    {
        Schema::create('settings', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->json('value');
            $table->timestamps(3);
        });

        Schema::create('users', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 64);
            $table->string('password');
            $table->string('role', 16)->default('owner');
            $table->timestamps(3);
            $table->unique('name');
        });

        Schema::create('tokens', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 64);
            $table->char('digest', 64);
            $table->timestamp('used_at', 3)->nullable();
            $table->string('role', 16)->default('owner');
            $table->timestamp('expires_at', 3)->nullable();
            $table->timestamps(3);
            $table->unique(['user_id', 'name']);
            $table->unique('digest');
        });

        Schema::create('activity_entries', function (Blueprint $table): void {
            $table->id();
            $table->timestamp('at', 3);
            $table->string('who', 80);
            $table->string('what', 80);
            $table->string('subject')->default('');
            $table->string('address', 45)->nullable();
            $table->integer('times')->default(1);
            $table->index('at');
        });
    }
};
