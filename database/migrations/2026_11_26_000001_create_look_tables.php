<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('reference_pictures', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->string('role', 12)->comment('colour, form, direction or light');
            $table->unsignedInteger('width')->comment('of the working picture');
            $table->unsignedInteger('height');
            $table->integer('position');
            $table->json('balance')->nullable()->comment('what the light was told by');
            $table->json('pairs')->comment('spots that show the same as spots of the first reference');
            $table->unsignedInteger('picture')->default(1)->comment('goes up when its pixels change');
            $table->timestamps();
            $table->softDeletes();
        });
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->json('crop')->nullable()->comment('x, y, width, height as shares of the first reference');
            $table->double('width_mm')->default(240)->comment('of the drawing');
            $table->double('height_mm')->default(180);
            $table->string('unit', 4)->default('mm');
            $table->json('tone')->nullable()->comment('how values are brought within reach');
            $table->double('light_degrees')->nullable()->comment('where the light comes from, if corrected');
            $table->string('highlights', 16)->default('reserve');
            $table->string('lamp', 16)->default('daylight')->comment('what it is drawn and looked at under');
            $table->binary('zone_map')->nullable();
        });
        // 64 kB would be too little for a map of a busy picture.
        DB::statement('ALTER TABLE pieces MODIFY zone_map MEDIUMBLOB NULL');
        Schema::table('zones', static function (Blueprint $table): void {
            $table->unsignedTinyInteger('label')->nullable()->comment('its number in the zone map; null for a mere spot');
            $table->double('share')->default(0)->comment('of the picture');
            $table->mediumText('outline')->nullable()->comment('an SVG path in thousandths of width and height');
            $table->json('estimates')->nullable()->comment('what was read in the photo');
            $table->json('corrections')->nullable()->comment('what the artist says instead');
            $table->boolean('named')->default(true)->comment('by the artist, not by place and colour');
            $table->boolean('fits')->default(true)->comment('the photo as it is now still shows it');
            $table->boolean('outside')->default(false)->comment('of the crop; comes back when the crop does');
        });
        Schema::create('zone_targets', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('zone_id')->constrained()->cascadeOnDelete();
            $table->string('role', 12);
            $table->double('L');
            $table->double('a');
            $table->double('b');
            $table->double('spread');
            $table->double('share')->comment('of the zone');
            $table->double('x');
            $table->double('y');
            $table->boolean('edited')->default(false)->comment('set by the artist, not read in the photo');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
        });
        Schema::create('zone_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->string('what', 160);
            $table->json('before');
            $table->binary('zone_map')->nullable();
            $table->timestamps();
        });
        DB::statement('ALTER TABLE zone_changes MODIFY zone_map MEDIUMBLOB NULL');

        // Each photo becomes the first reference of its piece and keeps its id, by which its files are found; each zone's colour
        // becomes its one target, with the zone's id, by which steps that were drawn are found.
        DB::statement("INSERT INTO reference_pictures (id, piece_id, name, role, width, height, position, pairs, created_at, updated_at)
            SELECT id, id, 'Photo', 'colour', photo_width, photo_height, 1, '[]', created_at, updated_at FROM pieces");
        DB::statement('UPDATE pieces SET width_mm = IF(photo_width >= photo_height, 240, ROUND(240 * photo_width / photo_height)),
            height_mm = IF(photo_width >= photo_height, ROUND(240 * photo_height / photo_width), 240)');
        DB::statement("INSERT INTO zone_targets (id, zone_id, role, L, a, b, spread, share, x, y, created_at, updated_at, deleted_at)
            SELECT id, id, 'middle', L, a, b, spread, 1, x, y, created_at, updated_at, deleted_at FROM zones");
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->foreignUlid('target_id')->nullable()->unique()->constrained('zone_targets')->cascadeOnDelete();
        });
        DB::statement('UPDATE recipes SET target_id = zone_id');
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->dropForeign(['zone_id']);
            $table->dropUnique(['zone_id']);
            $table->dropColumn('zone_id');
        });
        DB::statement('ALTER TABLE recipes MODIFY target_id CHAR(26) NOT NULL');
        Schema::table('zones', static function (Blueprint $table): void {
            $table->dropColumn(['L', 'a', 'b', 'spread']);
        });
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropColumn(['photo_width', 'photo_height']);
        });
    }

    /** Of several photos and colours the older studio has a place for one each: the first photo, and the middle of a zone. */
    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->unsignedInteger('photo_width')->default(0);
            $table->unsignedInteger('photo_height')->default(0);
        });
        DB::statement('UPDATE pieces p JOIN reference_pictures r ON r.id = (SELECT id FROM reference_pictures WHERE piece_id = p.id AND deleted_at IS NULL ORDER BY position LIMIT 1)
            SET p.photo_width = r.width, p.photo_height = r.height');
        Schema::table('zones', static function (Blueprint $table): void {
            foreach (['L', 'a', 'b', 'spread'] as $column) {
                $table->double($column)->default(0);
            }
        });
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->foreignUlid('zone_id')->nullable()->unique()->constrained()->cascadeOnDelete();
        });
        $main = "(SELECT id FROM zone_targets WHERE zone_id = z.id AND deleted_at IS NULL ORDER BY FIELD(role, 'middle', 'light', 'dark', 'reflected', 'accent', 'shimmer'), id LIMIT 1)";
        DB::statement("UPDATE zones z JOIN zone_targets t ON t.id = $main SET z.L = t.L, z.a = t.a, z.b = t.b, z.spread = t.spread");
        DB::statement("UPDATE recipes r JOIN zone_targets t ON t.id = r.target_id JOIN zones z ON z.id = t.zone_id SET r.zone_id = z.id WHERE t.id = $main");
        DB::table('recipes')->whereNull('zone_id')->delete();
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->dropForeign(['target_id']);
            $table->dropUnique(['target_id']);
            $table->dropColumn('target_id');
        });
        DB::statement('ALTER TABLE recipes MODIFY zone_id CHAR(26) NOT NULL');
        foreach (['zone_changes', 'zone_targets', 'reference_pictures'] as $table) {
            Schema::drop($table);
        }
        Schema::table('zones', static fn (Blueprint $table) => $table->dropColumn(['label', 'share', 'outline', 'estimates', 'corrections', 'named', 'fits', 'outside']));
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn(['crop', 'width_mm', 'height_mm', 'unit', 'tone', 'light_degrees', 'highlights', 'lamp', 'zone_map']));
    }
};
