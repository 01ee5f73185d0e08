<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Piece;
use App\Models\Range;
use App\Models\Restore;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Archive\Restores;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\Photos\PhotoStore;
use App\Studio\Zones\AreaBook;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Exchange\Csv;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;

use function Tests\Feature\artist;
use function Tests\Feature\blob;
use function Tests\Feature\brought;
use function Tests\Feature\pieceOf;
use function Tests\Feature\saved;
use function Tests\Feature\spotIn;
use function Tests\Feature\taken;
use function Tests\Feature\within;

/** The same archive with another document. */
function altered(string $path, Closure $change, string $name = 'piece.json'): string
{
    $zip = new ZipArchive;
    $zip->open($path);
    $told = json_decode((string) $zip->getFromName($name), true);
    $changed = $change($told, $zip);
    if (is_array($changed)) {
        $zip->addFromString($name, (string) json_encode($changed, JSON_PRESERVE_ZERO_FRACTION));
    }
    $zip->close();

    return $path;
}

/** A piece with a bit of everything, by chance. */
function anyPiece(User $artist): Piece
{
    $piece = pieceOf($artist);
    $piece->update([
        'title' => fake()->unique()->sentence(3), 'width_mm' => fake()->randomFloat(1, 50, 500), 'light_degrees' => fake()->optional()->randomFloat(2, -180, 180), 'unit' => fake()->randomElement(['mm', 'in']),
        'crop' => fake()->optional()->passthrough(['x' => 0.1, 'y' => 0.2, 'width' => 0.5, 'height' => 0.625]), 'palette_size' => fake()->numberBetween(4, 24), 'pinned' => ['QW:6858'], 'banned' => ['LO:9659'],
        'schools' => fake()->optional()->passthrough(['value' => 'form-first']), 'value_only' => fake()->boolean(),
    ]);
    $map = ZoneMap::of(64, 48, str_repeat(str_repeat("\1", 32).str_repeat("\2", 32), 48));
    $piece->zone_map = $map->pack();
    foreach ([1, 2] as $label) {
        $zone = $piece->zones()->create(['name' => fake()->words(2, true), 'x' => fake()->randomFloat(4, 0, 1), 'y' => 0.5, 'radius' => 0.01, 'position' => $label, 'label' => $label, 'share' => 0.5, 'named' => fake()->boolean(), 'estimates' => ['surface' => 'smooth', 'colour' => ['L' => 50.0, 'a' => 1.5, 'b' => -3]]]);
        foreach (fake()->randomElements(TargetRole::cases(), fake()->numberBetween(1, 4)) as $role) {
            $target = $zone->targets()->create(['role' => $role, 'L' => fake()->randomFloat(3, 5, 95), 'a' => fake()->randomFloat(3, -60, 60), 'b' => 7.0, 'spread' => 2.5, 'share' => 0.25, 'x' => 0.25, 'y' => 0.5, 'edited' => fake()->boolean()]);
            $target->recipe()->create(['stack' => sprintf('QW:6858@%d > LO:9659@35', fake()->numberBetween(20, 80)), 'by_hand' => fake()->boolean()]);
        }
    }
    $target = ZoneTarget::query()->whereRelation('zone', 'piece_id', $piece->id)->firstOrFail();
    $piece->palette = ['size' => 2, 'curve' => [['size' => 2, 'dE00' => 1.25]], 'pencils' => [['id' => 'QW:6858', 'loss' => 3.0]], 'dE00' => 1.25, 'wholeBox' => 1.0, 'apart' => [$target->id => ['base' => 'QW:6858', 'local' => true, 'further' => null]]];
    $piece->save();
    foreach ([false, true] as $at => $undone) {
        $entry = $piece->drawingEntries()->create([
            'mark' => (string) Str::ulid(), 'kind' => 'done', 'turn' => $at + 1, 'before' => ["$target->id:$at" => null, "$target->id:9" => ['state' => 'done', 'entry' => $entry->id ?? null]], 'did' => ['laid' => 'QW:6858@40x2', 'planned' => 'QW:6858@50', 'role' => 'layer', 'places' => ['float']],
            'made_at' => '2026-11-0'.($at + 1).' 18:00:00.125', 'undone' => $undone, 'minutes' => 4.5, 'note' => fake()->optional()->sentence(),
        ]);
        $piece->drawnSteps()->create(['step_key' => "$target->id:$at", 'state' => 'done', 'entry_id' => $entry->id, 'laid' => 'QW:6858@40x2', 'mm2' => 120.5]);
    }

    return $piece->refresh();
}

/** A photo of the drawing that was compared. */
function compared(Piece $piece, ?int $calibration): string
{
    $mark = (string) Str::ulid();
    $piece->drawingEntries()->create(['mark' => $mark, 'kind' => 'photo', 'photo_width' => 120, 'photo_height' => 90, 'made_at' => '2026-11-03 10:00:00']);
    $zone = $piece->zones()->firstOrFail();
    app(DrawingPhotos::class)->putKept($piece, $mark, ['' => blob(),
        '.straight.png' => blob('png'), '.values.png' => blob('png'), '.errors.png' => blob('png'),
        '.review.json' => json_encode([
            'found' => true, 'given' => false, 'corners' => [[0.1, 0.1], [0.9, 0.1], [0.9, 0.9], [0.1, 0.9]], 'width' => 120, 'height' => 90, 'range' => 'Your darkest is step 3.', 'meanError' => 2.5, 'meanSteps' => 0.25, 'warnings' => [], 'corrections' => [],
            'zones' => [['id' => $zone->id, 'name' => $zone->name, 'state' => 'fits', 'isToCome' => false, 'words' => 'As the photo.', 'dL' => 0.5, 'stepsOff' => 0.05, 'dE00' => 1.0]],
            'hand' => ['factor' => 0.9, 'words' => 'Your hand is lighter.', 'calibration' => $calibration, 'shifted' => 1, 'recipes' => 2, 'readings' => []],
        ]),
    ]);

    return $mark;
}

beforeEach(function (): void {
    $this->artist = artist();
    $this->actingAs($this->artist);
    $this->left = fn (): array => glob(config('prism.storage')."/restores/{$this->artist->id}-*");
});

it('saves pieces, whatever they are, and has the same after they are taken in', function (int $seed): void {
    fake()->seed($seed);
    $piece = anyPiece($this->artist);
    compared($piece, null);
    $first = saved($this->artist, $piece);
    $this->actingAs($other = User::factory()->create());
    $result = taken($this, $first);
    $again = Piece::query()->findOrFail($result['pieces'][0]);
    expect($again->user_id)->toBe($other->id)->and($again->id)->not->toBe($piece->id)
        ->and(within(saved($other, $again)))->toBe(within($first))
        // Keys within are its own: nothing of it leads to the other piece.
        ->and(json_encode([$again->palette, $again->drawnSteps()->pluck('step_key'), $again->drawingEntries()->pluck('before')]))->not->toContain($piece->zones()->firstOrFail()->targets()->firstOrFail()->id);
})->with(range(1, 8));

it('shows the same photo, zones and check in the piece that was taken in', function (): void {
    $piece = anyPiece($this->artist);
    $mark = compared($piece, null);
    $first = saved($this->artist, $piece);
    $this->actingAs(artist());
    $id = taken($this, $first)['pieces'][0];
    $again = Piece::query()->findOrFail($id);
    $photos = app(PhotoStore::class);
    expect($photos->raster($again->reference())->rgb())->toBe($photos->raster($piece->reference())->rgb());
    $check = $this->getJson("/api/pieces/$id/reviews")->assertOk()->json('reviews.0') ?? $this->getJson("/api/pieces/$id/reviews")->json('0');
    expect($check['zones'][0]['id'])->toBe($again->zones()->firstOrFail()->id)->and($check['photo'])->toBe($mark);
    $this->get("/api/pieces/$id/reviews/$mark/straight")->assertOk();
    $this->getJson("/api/pieces/$id/plan")->assertOk();
});

it('keeps a line drawing, and what is coloured in it', function (): void {
    $piece = Piece::factory()->for($this->artist)->create();
    app(AreaBook::class)->begin($piece, database_path('demo/quay.png'));
    $piece->refresh();
    app(AreaBook::class)->colour($piece, [$piece->zones()->firstOrFail()], ['by' => 'colour', 'colour' => 'QW:6858']);
    $first = saved($this->artist, $piece->refresh());
    $this->actingAs($other = artist());
    $again = Piece::query()->findOrFail(taken($this, $first)['pieces'][0]);
    expect(within(saved($other, $again)))->toBe(within($first));
    // It can be coloured on.
    $zone = $again->zones()->skip(1)->firstOrFail();
    $this->putJson("/api/pieces/$again->id/areas", ['zones' => [$zone->id], 'by' => 'colour', 'colour' => 'QW:1823'])->assertOk();
});

it('saves a whole studio, and has the same in an empty one', function (): void {
    $artist = $this->artist;
    $paper = $artist->papers()->create(['slug' => 'attic-sheet-'.Str::lower(Str::random(4)), 'name' => 'Attic sheet', 'kind' => 'cartridge', 'L' => 93.0, 'a' => 0.5, 'b' => 3.0, 'roughness' => 0.5, 'capacity' => 1.0, 'adhesion' => 0.5]);
    $range = $artist->ranges()->create(['code' => 'AT', 'maker' => 'Attic', 'name' => 'Attic wax']);
    $own = $range->pencils()->create(['number' => '7', 'name' => 'Tarred rope', 'aliases' => ['old 7'], 'binder' => 'wax', 'opacity' => 'semi', 'bands' => array_fill(0, 10, 0.2), 'L' => 40.0, 'a' => 5.0, 'b' => 15.0]);
    $artist->box()->attach($own->id, ['favourite' => true, 'spare' => 2, 'length_mm' => 90, 'measured_at' => '2026-10-01 12:00:00']);
    $chart = $artist->charts()->create(['paper_id' => $paper->id, 'title' => 'Rope', 'kind' => 'single', 'page' => 'a4', 'stacks' => ['AT:7@50', 'AT:7@80']]);
    foreach (['', 'AT:7@50', 'AT:7@50', 'QW:6858@35 > AT:7@65x2'] as $stack) {
        $artist->swatches()->create(['paper_id' => $paper->id, 'stack' => $stack, 'L' => 60.0, 'a' => 1.0, 'b' => 2.0, 'source' => 'typed', 'note' => 'on the attic table', 'drawn_on' => '2026-09-01', 'technique' => 'even', 'chart_id' => $stack === 'AT:7@50' ? $chart->id : null]);
    }
    $work = $this->postJson('/api/works', ['kind' => 'calibration'])->assertAccepted()->json();
    expect($work['state'])->toBe('done');
    $artist->refresh()->update(['schools' => ['value' => 'form-first'], 'hand' => 'left', 'unit' => 'in', 'paper_id' => $paper->id]);
    $piece = anyPiece($artist);
    $piece->update(['paper_id' => $paper->id]);
    compared($piece, $artist->calibration_id);
    $zone = $piece->zones()->firstOrFail();
    $kept = ['paper_id' => $paper->id, 'purpose' => 'rope', 'tags' => ['far'], 'stack' => 'AT:7@50', 'L' => 55.0, 'a' => 3.0, 'b' => 9.0, 'ladder' => strtolower((string) Str::ulid())];
    $artist->keptRecipes()->create([...$kept, 'name' => 'Rope, pale', 'rung' => 1, 'piece_id' => $piece->id, 'zone_id' => $zone->id, 'zone_name' => $zone->name, 'calibration_id' => $artist->calibration_id]);
    $artist->keptRecipes()->create([...$kept, 'name' => 'Rope, dark', 'rung' => 2]);
    $artist->drillRounds()->create(['kind' => 'value', 'level' => 2, 'questions' => [['asks' => 'Which?', 'patches' => [], 'options' => [['id' => 'a', 'label' => 'A', 'colour' => null]], 'right' => ['a'], 'because' => 'so']], 'answers' => [['answer' => ['a'], 'right' => true]], 'right' => 1, 'done_at' => now()]);
    app()->forgetScopedInstances();
    $first = saved($artist->refresh());

    $this->actingAs($other = User::factory()->create());
    $preview = brought($this, $first)->assertOk();
    expect($preview->json('isStudio'))->toBeTrue()->and($preview->json('isFirst'))->toBeTrue()
        ->and($preview->json('counts'))->toMatchArray(['box' => 16, 'swatches' => 4, 'recipes' => 2, 'calibrations' => 1, 'practice' => 1, 'charts' => 1])
        ->and($preview->json('pieces.0.title'))->toBe($piece->title);
    taken($this, $first, ['habits' => true]);
    app()->forgetScopedInstances();
    // In one database the second paper of a name is called otherwise in files.
    $slug = Paper::query()->where('user_id', $other->id)->firstOrFail()->slug;
    expect(array_map(static fn (string $file): string => str_replace($slug, $paper->slug, $file), within(saved($other->refresh()))))->toBe(within($first));
    // Taken in once more, nothing comes a second time.
    taken($this, $first);
    expect([$other->swatches()->count(), $other->keptRecipes()->count(), $other->drillRounds()->count(), $other->charts()->count(), $other->calibrations()->count(), $other->pieces()->count(), $other->papers()->count()])->toBe([4, 2, 1, 1, 1, 1, 1]);
});

it('knows a piece that is here already, and leaves it, lays another beside it, or puts it in its place', function (): void {
    $piece = anyPiece($this->artist);
    $first = saved($this->artist, $piece);
    $piece->update(['title' => 'Drawn on since']);
    expect(brought($this, $first)->json('pieces.0.here'))->toMatchArray(['id' => $piece->id, 'title' => 'Drawn on since', 'done' => 1]);
    expect(taken($this, $first)['pieces'])->toBe([])->and($this->artist->pieces()->count())->toBe(1);
    expect(taken($this, $first, ['ways' => ['' => 'beside']])['pieces'])->toHaveCount(1)->and($this->artist->pieces()->count())->toBe(2);
    $this->artist->pieces()->where('id', '!=', $piece->id)->delete();
    $result = taken($this, $first, ['ways' => ['' => 'replace']]);
    expect($this->artist->pieces()->pluck('id')->all())->toBe($result['pieces'])
        ->and(Piece::withTrashed()->findOrFail($piece->id)->title)->toBe('Drawn on since');
    $this->deleteJson("/api/restores/{$result['restore']}")->assertOk();
    expect($this->artist->pieces()->pluck('title')->all())->toBe(['Drawn on since']);
});

it('has both of a piece and its copy in another studio: a copy is another piece', function (): void {
    $piece = anyPiece($this->artist);
    taken($this, saved($this->artist, $piece), ['ways' => ['' => 'beside']]);
    $copy = $this->artist->pieces()->where('id', '!=', $piece->id)->sole();
    $copy->update(['title' => 'The copy']);
    $archive = saved($this->artist);
    // Here each is known again as itself.
    expect(array_column(array_column(brought($this, $archive)->json('pieces'), 'here'), 'title'))->toBe([$piece->title, 'The copy']);
    $this->actingAs($other = User::factory()->create());
    taken($this, $archive);
    expect($other->pieces()->pluck('title')->all())->toEqualCanonicalizing([$piece->title, 'The copy']);
});

it('tells how far it is while it is taken in, so that others see it', function (): void {
    $from = artist();
    anyPiece($from);
    $restores = app(Restores::class);
    $file = $restores->keep($this->artist, new UploadedFile(saved($from), 'archive.zip', null, null, true));
    $level = DB::transactionLevel();
    $levels = [];
    $restores->take($this->artist, $file, [], false, static function () use (&$levels): void {
        $levels[] = DB::transactionLevel();
    });
    expect(count($levels))->toBeGreaterThan(2)->and(array_unique($levels))->toBe([$level]);
});

it('keeps a paper that came with it and that a piece lies on by now', function (): void {
    $from = artist();
    $paper = ['kind' => 'cartridge', 'L' => 93.0, 'a' => 0.5, 'b' => 3.0, 'roughness' => 0.5, 'capacity' => 1.0, 'adhesion' => 0.5];
    foreach (['used', 'idle'] as $name) {
        $from->papers()->create($paper + ['slug' => "$name-".Str::lower(Str::random(6)), 'name' => $name]);
    }
    $restore = taken($this, saved($from))['restore'];
    Piece::factory()->for($this->artist)->create(['paper_id' => $this->artist->papers()->where('name', 'used')->valueOrFail('id')]);
    $this->deleteJson("/api/restores/$restore")->assertOk();
    expect($this->artist->papers()->pluck('name')->all())->toBe(['used']);
});

it('takes a whole studio back out as if it had never come', function (): void {
    $from = artist();
    $range = $from->ranges()->create(['code' => 'BX', 'maker' => 'Boat', 'name' => 'Boat oil']);
    $from->box()->attach($range->pencils()->create(['number' => '1', 'name' => 'Keel', 'aliases' => [], 'binder' => 'oil', 'opacity' => 'semi'])->id);
    $from->swatches()->create(['paper_id' => Paper::query()->whereNull('user_id')->firstOrFail()->id, 'stack' => 'QW:6858@50', 'L' => 50.0, 'a' => 0.0, 'b' => 0.0, 'source' => 'typed', 'technique' => 'even']);
    $from->update(['hand' => 'left', 'lamp' => 'led']);
    anyPiece($from);
    $archive = saved($from);
    anyPiece($this->artist);
    $was = within(saved($this->artist));
    $restore = taken($this, $archive, ['habits' => true])['restore'];
    expect($this->artist->refresh()->hand->value)->toBe('left')->and($this->artist->box()->count())->toBe(16)->and($this->artist->pieces()->count())->toBe(2);
    expect($this->getJson('/api/restores/latest')->assertOk()->json('restore'))->toMatchArray(['id' => $restore, 'pieces' => 1]);
    $this->deleteJson("/api/restores/$restore")->assertOk();
    app()->forgetScopedInstances();
    expect(within(saved($this->artist->refresh())))->toBe($was)
        ->and($this->getJson('/api/restores/latest')->json('restore'))->toBeNull()
        ->and(Range::query()->where('user_id', $this->artist->id)->exists())->toBeFalse();
    // Twice is once.
    $this->deleteJson("/api/restores/$restore")->assertOk();
});

it('keeps pencils that came with it and are in use by now', function (): void {
    $from = artist();
    $range = $from->ranges()->create(['code' => 'BX', 'maker' => 'Boat', 'name' => 'Boat oil']);
    foreach (['1', '2'] as $number) {
        $from->box()->attach($range->pencils()->create(['number' => $number, 'name' => "Keel $number", 'aliases' => [], 'binder' => 'oil', 'opacity' => 'semi', 'L' => 30.0, 'a' => 0.0, 'b' => 0.0, 'bands' => array_fill(0, 10, 0.1)])->id);
    }
    $restore = taken($this, saved($from))['restore'];
    spotIn(pieceOf($this->artist), 'Hull', [30.0, 0.0, 0.0], 'BX:1@50');
    $this->deleteJson("/api/restores/$restore")->assertOk();
    expect(Pencil::query()->whereRelation('range', 'user_id', $this->artist->id)->pluck('number')->all())->toBe(['1'])->and($this->artist->box()->count())->toBe(15);
});

it('tells which pencils are others here, and leaves them so', function (): void {
    $from = artist();
    $from->ranges()->create(['code' => 'BX', 'maker' => 'Boat', 'name' => 'Boat oil'])->pencils()->create(['number' => '1', 'name' => 'Keel', 'aliases' => [], 'binder' => 'oil', 'opacity' => 'semi']);
    $this->artist->ranges()->create(['code' => 'BX', 'maker' => 'Box', 'name' => 'Box wax'])->pencils()->create(['number' => '1', 'name' => 'Bilge', 'aliases' => [], 'binder' => 'wax', 'opacity' => 'semi']);
    $archive = saved($from);
    expect(brought($this, $archive)->json('notes'))->toBe(['BX:1 is Bilge here, Keel in the archive: what is here stays.']);
    taken($this, $archive);
    expect(Pencil::query()->whereRelation('range', 'user_id', $this->artist->id)->pluck('name')->all())->toBe(['Bilge']);
});

it('refuses in words, and takes nothing in, what is', function (Closure $break, string $words, string $document = 'piece.json'): void {
    $from = artist();
    $piece = anyPiece($from);
    compared($piece, null);
    $archive = saved($from, $document === 'piece.json' ? $piece : null);
    $tables = ['pieces', 'zones', 'zone_targets', 'recipes', 'reference_pictures', 'drawing_entries', 'papers', 'ranges', 'pencils', 'swatches', 'calibrations', 'restores'];
    $counts = static fn (): array => array_map(static fn (string $table): int => DB::table($table)->count(), $tables);
    $pictures = static fn (): int => count(File::directories(config('prism.storage').'/pieces'));
    $before = [$counts(), $pictures()];
    $answer = brought($this, altered($archive, $break, $document));
    if ($answer->status() === 200) {
        // What can only be seen when a picture is read is refused then.
        $work = $this->postJson('/api/works', ['kind' => 'restore', 'file' => $answer->json('file')])->json();
        expect($work['state'])->toBe('failed')->and($work['problem'])->toContain($words);
    } else {
        expect($answer->assertUnprocessable()->json('message'))->toContain($words)->and(($this->left)())->toBe([]);
    }
    expect([$counts(), $pictures()])->toBe($before);
})->with([
    'of a newer studio' => [fn (array $told) => ['format' => 'prism-piece-2'] + $told, 'was saved by a newer studio (prism-piece-2); this one reads prism-piece-1'],
    'of something else' => [fn (array $told) => ['format' => 'plan'] + $told, 'does not say that it is of a studio like this one'],
    'without its document' => [fn (array $told, ZipArchive $zip) => $zip->deleteName('piece.json') ? null : null, 'There is neither piece.json nor studio.json in this zip file.'],
    'without a part' => [fn (array $told) => array_diff_key($told, ['zones' => true]), 'zones: the property zones is required'],
    'without its photo' => [fn (array $told, ZipArchive $zip) => $zip->deleteName('pictures/1/decoded.png') ? null : null, '"pictures/1/decoded.png" is missing in the archive.'],
    'with a photo of another size' => [fn (array $told, ZipArchive $zip) => $zip->addFromString('pictures/1/decoded.png', blob('png', 100, 100)) ? null : null, 'has 100 x 100 pixels; it should have 64 x 48.'],
    'with a photo that is none' => [fn (array $told, ZipArchive $zip) => $zip->addFromString('pictures/1/decoded.jpg', '<?php echo 1;') ? null : null, 'is not a picture that can be read here'],
    'with a check that is no picture' => [fn (array $told, ZipArchive $zip) => $zip->addFromString("drawing/{$told['log'][2]['mark']}-straight.png", 'x') ? null : null, 'is not a picture that can be read here'],
    'with a stack that is none' => [fn (array $told) => array_replace_recursive($told, ['zones' => [['targets' => [['recipe' => ['stack' => 'QW:6858@500']]]]]]), 'zones.0.targets.0.recipe.stack'],
    'with words for a number' => [fn (array $told) => array_replace_recursive($told, ['piece' => ['widthMm' => 'wide']]), 'piece.widthMm: string value found'],
    'with a way of working that is none' => [fn (array $told) => array_replace_recursive($told, ['piece' => ['schools' => ['value' => 'upside-down']]]), '"upside-down" is no way of working for "value" here'],
    'with a map of another size' => [fn (array $told) => array_replace_recursive($told, ['zoneMap' => ['width' => 100]]), 'its map of zones is not of 100 x 48 pixels'],
    'with a map that bursts' => [fn (array $told) => array_replace_recursive($told, ['zoneMap' => ['labels' => base64_encode((string) gzcompress(str_repeat("\0", 50_000_000)))]]), 'its map of zones is not of 64 x 48 pixels'],
    'with two zones of one name' => [fn (array $told) => array_replace_recursive($told, ['zones' => [1 => ['key' => $told['zones'][0]['key']]]]), 'two zones or colours have one name'],
    'with pictures from elsewhere' => [fn (array $told) => array_replace_recursive($told, ['references' => [['pictures' => '../../secret/']]]), 'references[0].pictures'],
    'with a mark that leads away' => [fn (array $told) => array_replace_recursive($told, ['log' => [['mark' => '../../../../etc/passwd']]]), 'log[0].mark'],
    'on a paper that is missing' => [fn (array $told) => ['papers' => []] + $told, 'is missing in the archive'],
    'a studio without one of its pieces' => [fn (array $told) => ['pieces' => ['pieces/1/', 'pieces/2/']] + $told, '"pieces/2/piece.json" is missing in the archive.', 'studio.json'],
    'a studio with a calibration that is none' => [fn (array $told) => ['calibrations' => [['number' => 1, 'swatchCount' => 1, 'before' => 1.0, 'after' => 0.5, 'fit' => ['hand' => 'heavy']]]] + $told, 'calibration 1 cannot be read', 'studio.json'],
]);

it('takes in what a studio of tomorrow may tell beside it, and what one of yesterday did not tell yet', function (): void {
    $piece = anyPiece($this->artist);
    $archive = altered(saved($this->artist, $piece), function (array $told): array {
        $told['weather'] = 'fog';
        $told['zones'][0]['smell'] = 'tar';
        unset($told['zones'][0]['named'], $told['zones'][0]['colouring'], $told['piece']['valueOnly'], $told['log'][0]['laidMm2']);

        return $told;
    });
    $this->actingAs(artist());
    expect(taken($this, $archive)['pieces'])->toHaveCount(1);
});

it('takes nothing in when it is cancelled on the way', function (): void {
    $from = artist();
    anyPiece($from);
    $pieces = Piece::query()->count();
    $restores = app(Restores::class);
    $file = $restores->keep($this->artist, new UploadedFile(saved($from), 'archive.zip', null, null, true));
    $stop = static function (string $doing, float $share): void {
        // Its pictures are written by then.
        if ($share > 0.4) {
            throw new WorkCancelled;
        }
    };
    $pictures = static fn (): int => count(File::directories(config('prism.storage').'/pieces'));
    $before = $pictures();
    expect(fn () => $restores->take($this->artist, $file, [], false, $stop))->toThrow(WorkCancelled::class)
        ->and($pictures())->toBe($before)->and(Piece::query()->count())->toBe($pieces)->and(Restore::query()->count())->toBe(0);
});

it('is fetched and taken in by nobody else', function (): void {
    $piece = anyPiece($this->artist);
    $work = $this->postJson('/api/works', ['kind' => 'archive', 'piece' => $piece->id])->assertAccepted()->json();
    expect($work['state'])->toBe('done')->and($work['result']['name'])->toStartWith(Str::slug($piece->title));
    $path = "/api/archives/{$work['result']['archive']}";
    $this->get($path)->assertOk()->assertHeader('Content-Type', 'application/zip');
    $file = brought($this, saved($this->artist, $piece))->json('file');
    $restore = taken($this, saved($this->artist, $piece), ['ways' => ['' => 'beside']])['restore'];
    $this->actingAs(artist());
    $this->getJson($path)->assertNotFound();
    $this->deleteJson("/api/restores/$restore")->assertNotFound();
    expect($this->postJson('/api/works', ['kind' => 'restore', 'file' => $file])->json('problem'))->toBe('The archive is not here any more. Choose it again.')
        ->and($this->postJson('/api/works', ['kind' => 'archive', 'piece' => $piece->id])->json('state'))->toBe('failed');
});

it('has tables that people and their programs read', function (): void {
    $piece = anyPiece($this->artist);
    $zip = new ZipArchive;
    $zip->open(saved($this->artist, $piece));
    $recipes = Csv::parse((string) $zip->getFromName('tables/recipes.csv'), ['zone', 'role', 'L', 'a', 'b', 'steps'])->rows;
    expect(array_column($recipes, 'steps'))->toEqualCanonicalizing(App\Models\Recipe::query()->whereRelation('target.zone', 'piece_id', $piece->id)->pluck('stack')->all())
        ->and(array_column(Csv::parse((string) $zip->getFromName('tables/log.csv'), ['made_at', 'laid', 'state'])->rows, 'laid'))->toBe(['QW:6858@40x2', 'QW:6858@40x2'])
        ->and(Csv::parse((string) $zip->getFromName('tables/order.csv'), ['turn', 'pencil', 'pressure', 'places'])->rows)->not->toBe([])
        ->and((string) $zip->getFromName('plan.pdf'))->toStartWith('%PDF');
});

it('says in its schema what the trade has words for', function (): void {
    $schema = json_decode((string) file_get_contents(base_path('docs/archive.schema.json')), true);
    $piece = $schema['definitions']['piece']['properties']['piece']['properties'];
    $values = static fn (string $enum): array => array_column($enum::cases(), 'value');
    expect($piece['lamp']['enum'])->toBe($values(Prism\Colour\Lamp::class))
        ->and($schema['definitions']['reference']['properties']['role']['enum'])->toBe($values(App\Studio\Photos\ReferenceRole::class))
        ->and($schema['definitions']['zone']['properties']['targets']['items']['properties']['role']['enum'])->toEqualCanonicalizing($values(TargetRole::class))
        ->and($schema['definitions']['range']['properties']['pencils']['items']['properties']['opacity']['enum'])->toBe($values(Prism\Materials\Opacity::class))
        ->and($schema['definitions']['range']['properties']['pencils']['items']['properties']['status']['enum'])->toBe($values(Prism\Materials\Status::class));
});
