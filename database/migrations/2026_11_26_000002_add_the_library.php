<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Presets and hosts of a person's own, with every version that was saved; how often each item is used. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('library_items', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 10);
            $table->string('slug', 80);
            $table->unsignedInteger('version'); // the current one
            $table->timestamp('removed_at')->nullable();
            $table->timestamps();
            $table->unique(['kind', 'slug']);
        });
        Schema::create('library_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('item_id')->constrained('library_items')->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->text('note');
            $table->longText('file'); // in the open format, as it is exported
            $table->timestamps();
            $table->unique(['item_id', 'version']);
        });
        Schema::create('library_uses', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 10);
            $table->string('slug', 80);
            $table->unsignedInteger('uses');
            $table->timestamps();
            $table->unique(['kind', 'slug']);
        });
    }
};
