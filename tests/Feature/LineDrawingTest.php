<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Photos\PhotoStore;
use App\Studio\Zones\AreaPaints;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Schema;
use Prism\Colour\Lab;
use Prism\Reference\Lines\AreaPaint;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;
use function Tests\Feature\uploaded;
use function Tests\Feature\uploadRefusal;

/** Two discs and a square, in lines. */
function lineDrawing(): UploadedFile
{
    return picture('png', 480, 320, '#f4f2ee', static function (Imagick $image): void {
        $draw = new ImagickDraw;
        $draw->setStrokeColor('#202020');
        $draw->setStrokeWidth(3);
        $draw->setFillColor('transparent');
        $draw->circle(110, 160, 110, 80);
        $draw->circle(270, 160, 270, 100);
        $draw->rectangle(370, 110, 450, 220);
        $image->drawImage($draw);
    });
}

beforeEach(function (): void {
    $this->artist = artist();
    $this->actingAs($this->artist);
    $this->begun = fn (): array => uploaded($this->post('/api/pieces', ['title' => 'In lines', 'paper' => 'harbour-cartridge', 'from' => 'lines', 'photo' => lineDrawing()]));
    /** The zone at a place of a piece as it was answered. */
    $this->zoneAt = static function (array $piece, float $x, float $y): array {
        $best = null;
        foreach ($piece['zones'] as $zone) {
            $best = $best === null || hypot($zone['x'] - $x, $zone['y'] - $y) < hypot($best['x'] - $x, $best['y'] - $y) ? $zone : $best;
        }

        return $best;
    };
    $this->colour = fn (array $piece, array $wish): array => $this->putJson("/api/pieces/{$piece['id']}/areas", $wish)->assertOk()->json();
});

it('begins a piece from a line drawing: its areas are the zones, and all of it is paper', function (): void {
    $piece = ($this->begun)();
    expect($piece['zones'])->toHaveCount(4)->and($piece['lines'])->toMatchArray(['gaps' => 0, 'more' => 0, 'marginMm' => 0.5])->and($piece['lightDegrees'])->toEqual(135);
    foreach ($piece['zones'] as $zone) {
        expect($zone['colouring'])->toMatchArray(['by' => 'paper', 'colours' => null])->and($zone['targets'][0]['colour']['L'])->toBeGreaterThan(90.0);
    }
    // The ground and the board are flat, a disc is a ball.
    expect(($this->zoneAt)($piece, 110 / 480, 0.5)['colouring']['form'])->toBe('round')
        ->and(($this->zoneAt)($piece, 410 / 480, 0.5)['colouring']['form'])->toBe('flat')
        ->and(collect($piece['zones'])->sortByDesc('share')->first()['colouring']['form'])->toBe('flat');
});

it('colours an area: picture, name and colours of the zone follow', function (): void {
    $piece = ($this->begun)();
    $before = $piece['photo']['url'];
    $disc = ($this->zoneAt)($piece, 110 / 480, 0.5);
    $piece = ($this->colour)($piece, ['zones' => [$disc['id']], 'by' => 'colour', 'colour' => '#b03a2e', 'zonesVersion' => $piece['zonesVersion']]);
    $zone = ($this->zoneAt)($piece, 110 / 480, 0.5);
    $wanted = Lab::typed('#b03a2e');
    expect($piece['photo']['url'])->not->toBe($before)->and($zone['name'])->toContain('red')
        ->and(array_column($zone['targets'], 'role'))->toBe(['light', 'middle', 'dark']);
    $middle = $zone['targets'][1]['colour'];
    expect(Lab::of($middle['L'], $middle['a'], $middle['b'])->differenceTo($wanted))->toBeLessThan(0.2);
    // The light lies towards the light.
    expect($zone['targets'][0]['x'])->toBeLessThan($zone['targets'][2]['x'])->and($zone['targets'][0]['y'])->toBeLessThan($zone['targets'][2]['y']);
    // The lines and what is beside them stay.
    $photos = app(PhotoStore::class);
    $reference = Piece::query()->findOrFail($piece['id'])->reference();
    expect($photos->sample($reference, 270 / 480, 0.5, 0.01)->colour->L)->toBeGreaterThan(90.0)
        ->and($photos->sample($reference, 110 / 480, 80 / 320, 0.001)->colour->L)->toBeLessThan(40.0);
});

it('turns light and dark with the light of the piece', function (): void {
    $piece = ($this->begun)();
    $disc = ($this->zoneAt)($piece, 110 / 480, 0.5);
    ($this->colour)($piece, ['zones' => [$disc['id']], 'by' => 'colour', 'colour' => '#b03a2e']);
    $this->patchJson("/api/pieces/{$piece['id']}", ['lightDegrees' => 0])->assertOk();
    $zone = ($this->zoneAt)($this->getJson("/api/pieces/{$piece['id']}")->json(), 110 / 480, 0.5);
    expect($zone['targets'][0]['x'])->toBeGreaterThan($zone['targets'][2]['x'] + 0.1)->and(abs($zone['targets'][0]['y'] - $zone['targets'][2]['y']))->toBeLessThan(0.15);
});

it('colours by a ladder of the box, a trio, a recipe, and leaves paper again', function (): void {
    $piece = ($this->begun)();
    $disc = ($this->zoneAt)($piece, 110 / 480, 0.5)['id'];
    $zone = fn (array $piece): array => ($this->zoneAt)($piece, 110 / 480, 0.5);
    $ladder = $zone(($this->colour)($piece, ['zones' => [$disc], 'by' => 'ladder', 'colour' => '#3f6fb0']))['colouring'];
    expect($ladder['by'])->toBe('ladder')->and($ladder['pencils'])->toHaveKey('middle')
        ->and($ladder['colours']['light']['L'])->toBeGreaterThan($ladder['colours']['middle']['L'] + 5)->and($ladder['colours']['dark']['L'])->toBeLessThan($ladder['colours']['middle']['L'] - 5);
    // Who chose pencils has them laid, each alone; planning keeps to that.
    foreach ($zone($this->getJson("/api/pieces/{$piece['id']}")->json())['targets'] as $target) {
        $pencil = $ladder['pencils'][$target['role']] ?? null;
        expect($target['recipe']['stack'] ?? null)->when($pencil !== null, fn ($stack) => $stack->toStartWith($pencil.'@'))->when($pencil === null, fn ($stack) => $stack->toBeNull());
    }
    $trio = $zone(($this->colour)($piece, ['zones' => [$disc], 'by' => 'trio', 'colour' => '#3f6fb0']))['colouring'];
    expect($trio['by'])->toBe('trio')->and((array) $trio['pencils'])->toBe([])
        ->and(collect($zone($this->getJson("/api/pieces/{$piece['id']}")->json())['targets'])->pluck('recipe')->filter()->all())->toBe([]);
    $other = pieceOf($this->artist);
    $target = Tests\Feature\spotIn($other, 'kept', [50, 20, 20], 'QW:6858@60');
    $given = $zone(($this->colour)($piece, ['zones' => [$disc], 'by' => 'recipe', 'recipe' => $target->id]));
    expect($given['colouring']['by'])->toBe('recipe')->and($given['targets'][1]['recipe']['stack'])->toBe('QW:6858@60')->and($given['targets'][1]['recipe']['difference']['dE00'])->toBeLessThan(0.2);
    $paper = $zone(($this->colour)($piece, ['zones' => [$disc], 'by' => 'paper']));
    expect($paper['colouring'])->toMatchArray(['by' => 'paper', 'colours' => null, 'form' => 'round']);
});

it('takes a colouring back', function (): void {
    $piece = ($this->begun)();
    $disc = ($this->zoneAt)($piece, 110 / 480, 0.5)['id'];
    $coloured = ($this->colour)($piece, ['zones' => [$disc], 'by' => 'colour', 'colour' => '#b03a2e']);
    expect($coloured['undo'])->toContain('coloured');
    $back = $this->postJson("/api/pieces/{$piece['id']}/zones/undo")->assertOk()->json();
    expect(($this->zoneAt)($back, 110 / 480, 0.5)['colouring']['by'])->toBe('paper')
        ->and(app(PhotoStore::class)->sample(Piece::query()->findOrFail($piece['id'])->reference(), 110 / 480, 0.5, 0.01)->colour->L)->toBeGreaterThan(90.0);
});

it('takes back with a colouring the recipes that came with it, and brings back those before', function (): void {
    $piece = ($this->begun)();
    $disc = ($this->zoneAt)($piece, 110 / 480, 0.5)['id'];
    $recipes = fn (array $piece): array => collect(($this->zoneAt)($piece, 110 / 480, 0.5)['targets'])->mapWithKeys(static fn (array $target): array => [$target['role'] => $target['recipe']['stack'] ?? null])->filter()->all();
    $first = $recipes(($this->colour)($piece, ['zones' => [$disc], 'by' => 'ladder', 'colour' => '#3f6fb0']));
    $second = $recipes(($this->colour)($piece, ['zones' => [$disc], 'by' => 'ladder', 'colour' => '#c0392b']));
    expect($first)->not->toBe([])->and($second)->not->toBe([])->not->toBe($first);
    $undo = fn (): array => $this->postJson("/api/pieces/{$piece['id']}/zones/undo")->assertOk()->json();
    expect($recipes($undo()))->toBe($first)->and($recipes($undo()))->toBe([]);
});

it('has the pencils of a ladder laid also where the form comes later', function (): void {
    $piece = ($this->begun)();
    $board = ($this->zoneAt)($piece, 410 / 480, 0.5)['id'];
    $roles = fn (array $piece): array => collect(($this->zoneAt)($piece, 410 / 480, 0.5)['targets'])->filter(static fn (array $target): bool => $target['recipe'] !== null)->pluck('role')->values()->all();
    $flat = ($this->colour)($piece, ['zones' => [$board], 'by' => 'ladder', 'colour' => '#3f6fb0']);
    $round = ($this->colour)($piece, ['zones' => [$board], 'form' => 'round']);
    expect($roles($flat))->toBe(['middle'])->and($roles($round))->toBe(array_keys(array_intersect_key(['light' => 1, 'middle' => 1, 'dark' => 1], ($this->zoneAt)($round, 410 / 480, 0.5)['colouring']['pencils'])));
});

it('takes parts of parts, and areas that name one another, for one body', function (): void {
    $zone = static fn (?int $body): Zone => (new Zone)->fill(['colouring' => ['light' => [80, 0, 0], 'middle' => [60, 0, 0], 'dark' => [40, 0, 0], ...($body === null ? [] : ['body' => $body])]]);
    $bodies = static fn (array $of): array => array_map(static fn (AreaPaint $paint): int => $paint->body, AreaPaints::of(array_map($zone, $of)));
    expect($bodies([1 => null, 2 => 1, 3 => 2]))->toBe([1 => 1, 2 => 1, 3 => 1])
        ->and($bodies([2 => 3, 3 => 2, 4 => 3]))->toBe([2 => 2, 3 => 2, 4 => 2])
        ->and($bodies([5 => 9]))->toBe([5 => 5]);
});

it('shades areas of one body as one form', function (): void {
    $piece = ($this->begun)();
    [$disc, $square] = [($this->zoneAt)($piece, 110 / 480, 0.5)['id'], ($this->zoneAt)($piece, 410 / 480, 0.5)['id']];
    $piece = ($this->colour)($piece, ['zones' => [$disc, $square], 'by' => 'colour', 'colour' => '#b03a2e', 'shines' => true]);
    expect(($this->zoneAt)($piece, 410 / 480, 0.5)['colouring']['shines'])->toBeTrue();
    $piece = ($this->colour)($piece, ['zones' => [$square], 'body' => $disc]);
    expect(($this->zoneAt)($piece, 410 / 480, 0.5)['colouring'])->toMatchArray(['body' => $disc, 'by' => 'colour', 'shines' => true]);
    // The one that gives its name to the body is one form with nobody else.
    $piece = ($this->colour)($piece, ['zones' => [$disc], 'body' => $disc]);
    expect(($this->zoneAt)($piece, 110 / 480, 0.5)['colouring']['body'])->toBeNull();
    $piece = ($this->colour)($piece, ['zones' => [$square], 'body' => null]);
    expect(($this->zoneAt)($piece, 410 / 480, 0.5)['colouring']['body'])->toBeNull();
});

it('keeps paper beside the lines as wide as is told, and what was merged', function (): void {
    $piece = ($this->begun)();
    $share = fn (): float => array_sum(Zone::query()->where('piece_id', $piece['id'])->pluck('share')->all());
    $narrow = $share();
    $this->patchJson("/api/pieces/{$piece['id']}", ['marginMm' => 4])->assertOk();
    $wide = $share();
    $this->postJson("/api/pieces/{$piece['id']}/zones/merge", ['into' => ($this->zoneAt)($piece, 110 / 480, 0.5)['id'], 'gone' => ($this->zoneAt)($piece, 270 / 480, 0.5)['id']])->assertOk();
    $this->patchJson("/api/pieces/{$piece['id']}", ['marginMm' => 0.5])->assertOk();
    expect($wide)->toBeLessThan($narrow - 0.05)->and($share())->toBeGreaterThan($wide + 0.04)->and(Piece::query()->findOrFail($piece['id'])->zones()->count())->toBe(3);
    $this->patchJson("/api/pieces/{$piece['id']}", ['marginMm' => 9])->assertStatus(422)->assertJsonPath('errors.marginMm.0', 'What stays paper beside a line is from 0 to 5 mm wide.');
});

it('says what cannot be a line drawing, and begins no piece', function (): void {
    $begin = fn (UploadedFile $file) => uploadRefusal($this->post('/api/pieces', ['title' => 'In lines', 'paper' => 'harbour-cartridge', 'from' => 'lines', 'photo' => $file]));
    expect($begin(picture('png', 300, 200, '#f4f2ee')))->toContain('no lines')
        ->and($begin(picture('png', 300, 200, '#f4f2ee', static fn (Imagick $image) => $image->addNoiseImage(Imagick::NOISE_RANDOM))))->toContain('tones and not lines')
        ->and(Piece::query()->count())->toBe(0);
});

it('colours nothing that is refused', function (array $wish, string $why): void {
    $piece = ($this->begun)();
    $wish = array_map(fn (mixed $value): mixed => $value === 'the disc' ? [($this->zoneAt)($piece, 110 / 480, 0.5)['id']] : $value, $wish);
    $answer = $this->putJson("/api/pieces/{$piece['id']}/areas", $wish)->assertStatus(422);
    expect((string) json_encode($answer->json(), JSON_UNESCAPED_UNICODE))->toContain($why);
    expect(Zone::query()->where('piece_id', $piece['id'])->get()->every(static fn (Zone $zone): bool => ! isset($zone->colouring['light'])))->toBeTrue();
})->with([
    'no area' => [['zones' => [], 'by' => 'paper'], 'Choose the areas'],
    'no colour' => [['zones' => 'the disc', 'by' => 'colour', 'colour' => 'reddish'], 'hex'],
    'none typed' => [['zones' => 'the disc', 'by' => 'trio'], 'Type a colour'],
    'a recipe that there is not' => [['zones' => 'the disc', 'by' => 'recipe', 'recipe' => 'nothing'], 'not in your studio'],
]);

it('has no light, no other photo and no cut of its own', function (): void {
    $piece = ($this->begun)();
    $reference = $piece['photo']['id'];
    $this->putJson("/api/references/$reference/balance", ['balance' => ['by' => 'lamp', 'lamp' => 'led']])->assertStatus(422)->assertSee('line drawing');
    $this->deleteJson("/api/references/$reference/photo")->assertStatus(422)->assertSee('line drawing');
    $this->postJson("/api/pieces/{$piece['id']}/zones/find", ['count' => 12])->assertStatus(422)->assertSee('line drawing');
    $this->putJson('/api/pieces/'.pieceOf($this->artist)->id.'/areas', ['zones' => ['x'], 'by' => 'paper'])->assertStatus(422)->assertSee('drawn from a photo');
});

it('is coloured by its artist alone', function (): void {
    $piece = ($this->begun)();
    $this->actingAs(artist());
    $this->putJson("/api/pieces/{$piece['id']}/areas", ['zones' => [$piece['zones'][0]['id']], 'by' => 'paper'])->assertNotFound();
});

it('lets pieces from photos be as they were', function (): void {
    $piece = pieceOf($this->artist);
    $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_29_000004_pieces_begin_from_line_drawings'), '--force' => true])->assertSuccessful();
    expect(Schema::hasColumn('pieces', 'lines'))->toBeFalse();
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
    expect($piece->refresh()->lines)->toBeNull()->and($this->getJson("/api/pieces/{$piece->id}")->assertOk()->json('lines'))->toBeNull();
});
