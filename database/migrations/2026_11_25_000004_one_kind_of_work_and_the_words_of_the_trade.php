<?php

use App\Models\Volumes;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What takes time is one thing from now on, and cells are called as the trade calls them. Sheets, runs, slips and analyses are
 * carried over; runs that waited or were under way wait, and are made by the arguments they hold.
 */
return new class extends Migration
{
    private const CELLS = ['picture' => 'video', 'rate' => 'bitrate', 'sound' => 'audio'];

    private const FINDINGS = [
        'mask-lost' => 'alpha-lost', 'no-sound' => 'no-audio', 'sound-not-asked' => 'audio-not-asked',
        'sound-uncompressed' => 'audio-uncompressed', 'rate-above-cut' => 'bitrate-above-cut', 'rate-under-ask' => 'bitrate-under-ask',
        'rate-not-allowed' => 'frame-rate-not-allowed',
    ];

    public function up(): void
    {
        Schema::create('works', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 16);
            $table->unsignedBigInteger('subject'); // a run, an analysis, a sample
            $table->string('state', 16);
            $table->unsignedSmallInteger('priority');
            $table->string('owner', 200)->nullable(); // the process that has it in hand
            $table->timestamp('lease_until', 3)->nullable();
            $table->unsignedInteger('attempts')->default(0);
            $table->unsignedInteger('lost')->default(0); // how often an owner ended without giving it back
            $table->boolean('stop_asked')->default(false);
            $table->unsignedSmallInteger('percent')->default(0);
            $table->unsignedBigInteger('frames')->default(0);
            $table->decimal('speed', 10, 2)->nullable(); // frames per second
            $table->unsignedInteger('seconds_left')->nullable();
            $table->text('error')->nullable();
            $table->timestamp('wanted_at', 3)->nullable(); // when someone last waited for it
            $table->timestamp('started_at', 3)->nullable();
            $table->timestamp('ended_at', 3)->nullable();
            $table->timestamps();
            $table->unique(['kind', 'subject']);
            $table->index(['state', 'priority']);
        });
        $this->carryOverCuts();
        $this->carryOverRuns();
        $this->carryOverAnalyses();

        Schema::table('runs', function (Blueprint $table): void {
            $table->dropIndex(['state']);
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropColumn([
                'state', 'frames', 'percent', 'speed', 'seconds_left', 'stop_asked', 'error', 'started_at', 'ended_at',
            ]);
            $table->json('frozen')->nullable(); // the plan, which arguments are built from where it is made
            $table->json('passes')->nullable()->change(); // of runs that an earlier version queued
        });
        Schema::table('analyses', function (Blueprint $table): void {
            $table->dropIndex(['state']);
        });
        Schema::table('analyses', function (Blueprint $table): void {
            $table->dropColumn(['state', 'percent', 'seconds_left', 'error', 'wanted_at']);
        });
        // Samples are taken again in a moment.
        DB::table('samples')->delete();
        Schema::table('samples', function (Blueprint $table): void {
            $table->dropColumn(['output', 'wanted_at']);
            $table->json('plan')->nullable(); // whose pieces are encoded
        });
        Schema::dropIfExists('jobs');
        Schema::dropIfExists('failed_jobs');
    }

    private function carryOverCuts(): void
    {
        foreach (DB::table('cuts')->get(['id', 'path', 'outputs', 'card']) as $cut) {
            $outputs = array_map(
                fn (array $output): array => ['edits' => $this->rules($output['edits'] ?? [])] + $output,
                (array) json_decode($cut->outputs, true),
            );
            $card = (array) json_decode($cut->card, true);
            $values = array_map(fn (string $old): string => (string) ($card[$old] ?? ''), [
                'container' => 'container', 'video' => 'picture', 'frameSize' => 'pixels', 'frameRate' => 'rate',
                'bitrate' => 'bitrateLabel', 'keyframes' => 'keyframes', 'colour' => 'colour', 'audio' => 'sound',
            ]) + ['file' => mb_scrub(basename($cut->path))];
            $gone = ['container', 'picture', 'pixels', 'rate', 'bitrateLabel', 'keyframes', 'colour', 'sound'];
            DB::table('cuts')->where('id', $cut->id)->update([
                'outputs' => $this->json($outputs),
                'card' => $this->json(['values' => $values] + array_diff_key($card, array_flip($gone))),
            ]);
        }
    }

    private function carryOverRuns(): void
    {
        foreach (DB::table('runs')->orderBy('id')->get() as $run) {
            $plan = $this->plan((array) json_decode($run->plan, true));
            $slip = $run->slip === null ? null : $this->slip((array) json_decode($run->slip, true), $plan, basename($run->file));
            DB::table('runs')->where('id', $run->id)->update([
                'plan' => $this->json($plan),
                'slip' => $slip === null ? null : $this->json($slip),
                'source' => Volumes::place($run->source),
                'file' => Volumes::place($run->file),
            ]);
            $this->work('make', $run->id, 30, $run, [
                'frames' => $run->frames, 'speed' => $run->speed, 'stop_asked' => $run->stop_asked, 'started_at' => $run->started_at,
                'ended_at' => $run->ended_at,
            ]);
        }
    }

    private function carryOverAnalyses(): void
    {
        foreach (DB::table('analyses')->get() as $analysis) {
            $this->work('analyse', $analysis->id, 10, $analysis, ['wanted_at' => $analysis->wanted_at]);
        }
    }

    /** @param  array<string, mixed>  $more */
    private function work(string $kind, int $subject, int $priority, object $of, array $more): void
    {
        $state = in_array($of->state, ['running', 'checking'], true) ? 'waiting' : $of->state;
        DB::table('works')->insert([
            'kind' => $kind, 'subject' => $subject, 'state' => $state, 'priority' => $priority, 'error' => $of->error,
            'percent' => $state === 'waiting' ? 0 : $of->percent, 'created_at' => $of->created_at, 'updated_at' => $of->updated_at,
        ] + $more);
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    private function plan(array $plan): array
    {
        foreach (['values', 'origins', 'asks'] as $part) {
            $plan[$part] = $this->renamed($plan[$part] ?? []);
        }
        foreach ($plan['values'] as $cell => $value) {
            $plan['values'][$cell]['label'] = str_replace('VBR ×2', 'VBR, 2 passes', $value['label'] ?? '');
        }
        if (isset($plan['values']['container']['id'])) {
            $plan['values']['container']['set'] = $plan['values']['container']['id'];
            unset($plan['values']['container']['id']);
        }
        $plan['edits'] = $this->rules((array) ($plan['edits'] ?? []));
        $plan['findings'] = array_map($this->finding(...), $plan['findings'] ?? []);
        if (isset($plan['estimate']['basis']) && $plan['estimate']['basis'] === 'rate') {
            $plan['estimate']['basis'] = 'bitrate';
        }
        $row = $plan['rateRow'] ?? null;
        unset($plan['rateRow']);

        return $plan + ['bitrateRow' => $row, 'fixed' => [], 'rules' => (object) []];
    }

    /**
     * @param  array<string, mixed>  $finding
     * @return array<string, mixed>
     */
    private function finding(array $finding): array
    {
        $finding['id'] = self::FINDINGS[$finding['id']] ?? $finding['id'];
        $finding['cell'] = self::CELLS[$finding['cell']] ?? $finding['cell'];
        if (isset($finding['remedy']['patch'])) {
            $finding['remedy']['patch'] = (object) $this->rules($finding['remedy']['patch']);
        }

        return $finding;
    }

    /**
     * @param  array<string, mixed>  $slip
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    private function slip(array $slip, array $plan, string $file): array
    {
        $reading = $slip['reading'];
        $video = $reading['video'][0] ?? null;
        $gap = $slip['keyframes']['longestGap'];
        $bitrates = $slip['rates'];
        unset($slip['rates']);
        $slip['differences'] = array_map(
            fn (array $difference): array => ['cell' => self::CELLS[$difference['cell']] ?? $difference['cell']] + $difference,
            $slip['differences'],
        );
        $pixels = $video === null || $video['sampleAspect'] === '1' ? '' : ' · '.str_replace('/', ':', $video['sampleAspect']).' pixels';
        $found = $video === null ? array_fill_keys(['frameSize', 'frameRate', 'bitrate', 'keyframes', 'colour'], '–') : [
            'frameSize' => "{$video['width']}×{$video['height']}{$pixels}",
            'frameRate' => $video['frameRateLabel'].($video['scan'] === 'progressive' ? '' : ' · interlaced'),
            'bitrate' => $bitrates['videoLabel'],
            'keyframes' => $gap === 1 ? 'every frame' : "{$slip['keyframes']['count']} · at most {$gap} frames apart",
            'colour' => "{$video['colour']['label']} · {$video['bitDepth']}-bit {$video['chroma']}",
        ];

        return $slip + ['bitrates' => $bitrates, 'found' => $found + [
            'container' => $reading['containerName'].($reading['fastStart'] === true ? ' · fast start' : ''),
            'video' => $video['label'] ?? 'none',
            'audio' => $reading['audio'][0]['label'] ?? 'none',
            'file' => $file,
        ]];
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array<string, mixed>
     */
    private function rules(array $rules): array
    {
        $rules = $this->renamed($rules);
        if (isset($rules['file']['template'])) {
            $rules['file']['template'] = str_replace('{rate}', '{fps}', $rules['file']['template']);
        }

        return $rules;
    }

    /**
     * @param  array<string, mixed>  $byCell
     * @return array<string, mixed>
     */
    private function renamed(array $byCell): array
    {
        $renamed = [];
        foreach ($byCell as $cell => $value) {
            $renamed[self::CELLS[$cell] ?? $cell] = $value;
        }

        return $renamed;
    }

    private function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }
};
