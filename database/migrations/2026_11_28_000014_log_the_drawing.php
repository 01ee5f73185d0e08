<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/** A log of the drawing: each press as one entry, with all the steps it marked and how they stood before, and notes. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('drawing_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->ulid('mark')->comment('given by who made it: sent twice it is done once');
            $table->string('kind', 10)->comment('done, skipped, open or note');
            $table->unsignedSmallInteger('turn')->nullable();
            $table->json('before')->nullable()->comment('of each step that it marked: done, skipped or null, and its entry');
            $table->text('note')->nullable();
            $table->boolean('undone')->default(false);
            $table->dateTime('made_at', 3);
            $table->double('laid_mm2')->nullable()->comment('area times passes; null where no pencil was used');
            $table->double('minutes')->nullable()->comment('since the press before; null where that tells nothing');
            $table->timestamps();
            $table->unique(['piece_id', 'mark']);
        });
        Schema::table('drawn_steps', static function (Blueprint $table): void {
            $table->foreignId('entry_id')->nullable()->constrained('drawing_entries')->nullOnDelete();
        });
        // What was marked before there was a log was marked step by step.
        foreach (DB::table('drawn_steps')->orderBy('updated_at')->orderBy('id')->get() as $step) {
            $entry = DB::table('drawing_entries')->insertGetId([
                'piece_id' => $step->piece_id, 'mark' => (string) Str::ulid(), 'kind' => $step->state, 'before' => json_encode([$step->step_key => null], JSON_THROW_ON_ERROR),
                'made_at' => $step->updated_at, 'laid_mm2' => $step->laid_mm2, 'minutes' => $step->minutes, 'created_at' => $step->created_at, 'updated_at' => $step->updated_at,
            ]);
            DB::table('drawn_steps')->where('id', $step->id)->update(['entry_id' => $entry]);
        }
        Schema::table('drawn_steps', static fn (Blueprint $table) => $table->dropColumn(['laid_mm2', 'minutes']));
    }

    public function down(): void
    {
        Schema::table('drawn_steps', static function (Blueprint $table): void {
            $table->double('laid_mm2')->nullable()->comment('area times passes; null where no pencil was used');
            $table->double('minutes')->nullable()->comment('since the step before; null where that tells nothing');
        });
        foreach (DB::table('drawn_steps')->join('drawing_entries', 'drawing_entries.id', '=', 'entry_id')->get(['drawn_steps.id', 'drawing_entries.laid_mm2', 'drawing_entries.minutes', 'entry_id'])->unique('entry_id') as $step) {
            DB::table('drawn_steps')->where('id', $step->id)->update(['laid_mm2' => $step->laid_mm2, 'minutes' => $step->minutes]);
        }
        Schema::table('drawn_steps', static fn (Blueprint $table) => $table->dropConstrainedForeignId('entry_id'));
        Schema::drop('drawing_entries');
    }
};
