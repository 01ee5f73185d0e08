<?php

declare(strict_types=1);

use App\Models\KeptRecipe;
use App\Models\Paper;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Papers\PaperBook;
use App\Studio\Records\KeptRecipes;
use App\Studio\Records\RecipeWish;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

beforeEach(function (): void {
    $this->artist = artist();
    $this->actingAs($this->artist);
    $this->form = ['name' => 'Rope in shade', 'purpose' => 'rope', 'tags' => ['rope', 'warm'], 'note' => 'Along the strands.', 'paper' => 'harbour-cartridge', 'stack' => 'QW:3131@40 > LO:2627@55x2'];
    $this->keep = fn (array $changes = []): array => $this->postJson('/api/recipes', [...$this->form, ...$changes])->assertCreated()->json();
});

it('keeps a recipe by name, with what it is for and how it looks', function (): void {
    $kept = ($this->keep)();
    expect($kept)->toMatchArray(['name' => 'Rope in shade', 'purpose' => 'rope', 'tags' => ['rope', 'warm'], 'stack' => 'QW:3131@40 > LO:2627@55x2', 'missing' => [], 'from' => null, 'cameOut' => null, 'version' => 1])
        ->and($kept['paper']['id'])->toBe('harbour-cartridge')
        ->and($kept['recipe']['difference']['dE00'])->toBeLessThan(0.05)
        ->and($kept['recipe']['build'])->toContain('3131');
});

it('knows where one is from', function (): void {
    $piece = pieceOf($this->artist);
    $target = spotIn($piece, 'coil', [60, 10, 25], $this->form['stack']);
    $kept = ($this->keep)(['target' => $target->id]);
    expect($kept['from'])->toBe(['piece' => $piece->id, 'title' => $piece->title, 'zone' => 'coil']);
    $piece->delete();
    expect($this->getJson('/api/recipes')->json('recipes.0.from'))->toBeNull();
});

it('tells how it came out, once its zone is drawn and not while it is on its way', function (): void {
    $piece = pieceOf($this->artist);
    $target = spotIn($piece, 'coil', [60, 10, 25], $this->form['stack']);
    ($this->keep)(['target' => $target->id]);
    $review = function (string $mark, string $state, string $words) use ($piece, $target): void {
        $piece->drawingEntries()->create(['mark' => $mark, 'kind' => 'photo', 'made_at' => now(), 'undone' => false]);
        app(DrawingPhotos::class)->putKept($piece, $mark, [DrawingPhotos::TOLD => (string) json_encode(['zones' => [['id' => $target->zone_id, 'name' => 'coil', 'state' => $state, 'isToCome' => false, 'words' => $words, 'dE00' => 4.2]]])]);
    };
    $cameOut = fn (): ?array => app(KeptRecipes::class)->find($this->artist, new RecipeWish)['recipes'][0]->cameOut;
    $review('one', 'begun', 'begun');
    expect($cameOut())->toBeNull();
    $review('two', 'off', 'half a step too light');
    expect($cameOut())->toMatchArray(['words' => 'half a step too light', 'dE00' => 4.2]);
});

it('is found by words, tag, value, and nearness to a colour', function (): void {
    ($this->keep)();
    ($this->keep)(['name' => 'Sea, far out', 'tags' => ['water'], 'purpose' => 'sea', 'note' => '', 'stack' => 'LO:4841@60x2']);
    ($this->keep)(['name' => 'Night wall', 'tags' => ['warm'], 'purpose' => '', 'note' => '', 'stack' => 'QW:3769@80x3']);
    $names = fn (string $query): array => array_column($this->getJson("/api/recipes?$query")->assertOk()->json('recipes'), 'name');
    expect($names(''))->toBe(['Night wall', 'Sea, far out', 'Rope in shade'])
        ->and($names('words=strands'))->toBe(['Rope in shade'])->and($names('words=4841'))->toBe(['Sea, far out'])->and($names('words=rope%20nothing'))->toBe([])
        ->and($names('tag=warm'))->toBe(['Night wall', 'Rope in shade'])
        ->and($names('near=LO:4841')[0])->toBe('Sea, far out')
        ->and($this->getJson('/api/recipes')->json('tags'))->toBe([['tag' => 'rope', 'count' => 1], ['tag' => 'warm', 'count' => 2], ['tag' => 'water', 'count' => 1]]);
    foreach ($this->getJson('/api/recipes')->json('recipes') as $recipe) {
        expect($names('step='.$recipe['recipe']['predicted']['appearance']['valueStep']))->toContain($recipe['name']);
    }
    $this->getJson('/api/recipes?near=reddish')->assertStatus(422);
    $this->getJson('/api/recipes?step=12')->assertStatus(422)->assertSee('from 1 to 9');
});

it('refuses the same recipe twice, and what cannot be laid', function (): void {
    ($this->keep)();
    $refused = fn (array $changes): string => (string) json_encode($this->postJson('/api/recipes', [...$this->form, ...$changes])->assertStatus(422)->json('errors'));
    expect($refused(['name' => 'Again']))->toContain('already: Rope in shade')
        ->and($refused(['stack' => '']))->toContain('at least one layer')
        ->and($refused(['stack' => 'QW:3131@40 >']))->toContain('stack')
        ->and($refused(['stack' => 'QW:0000@40']))->toContain('QW:0000')
        ->and($refused(['name' => ' ', 'stack' => 'QW:3131@40']))->toContain('Give the recipe a name')
        ->and($refused(['tags' => ['a|b'], 'stack' => 'QW:3131@40']))->toContain('without |')
        ->and(KeptRecipe::query()->count())->toBe(1);
    // On another paper it is another recipe.
    ($this->keep)(['paper' => 'slipway-smooth']);
});

it('is changed by who saw it last, put away and taken back', function (): void {
    $kept = ($this->keep)();
    $changed = $this->putJson("/api/recipes/{$kept['id']}", ['version' => 1, 'name' => 'Rope, shade side', 'tags' => []])->assertOk()->json();
    expect($changed)->toMatchArray(['name' => 'Rope, shade side', 'tags' => [], 'purpose' => 'rope', 'version' => 2]);
    $this->putJson("/api/recipes/{$kept['id']}", ['version' => 1, 'name' => 'Too late'])->assertStatus(409);
    $this->deleteJson("/api/recipes/{$kept['id']}")->assertNoContent();
    expect($this->getJson('/api/recipes')->json('count'))->toBe(0);
    $this->postJson("/api/recipes/{$kept['id']}/restore")->assertNoContent();
    expect($this->getJson('/api/recipes')->json('count'))->toBe(1);
});

it('tells which pencils the box lacks, and what is not known any more', function (): void {
    ($this->keep)();
    $this->putJson('/api/box', ['remove' => ['LO:2627']])->assertNoContent();
    app()->forgetScopedInstances();
    expect($this->getJson('/api/recipes')->json('recipes.0.missing'))->toBe(['LO:2627']);
    $this->postJson('/api/pencils', ['range' => 'ZZ', 'number' => '1', 'name' => 'Gone soon', 'binder' => 'wax', 'opacity' => 'semi', 'status' => 'current', 'colour' => '#aa3322'])->assertSuccessful();
    ($this->keep)(['name' => 'Of a pencil that goes', 'stack' => 'ZZ:1@60']);
    $this->deleteJson('/api/pencils/ZZ:1')->assertSuccessful();
    app()->forgetScopedInstances();
    // Routes of a test keep their controllers, and with them what was looked up before.
    $lost = app(KeptRecipes::class)->find($this->artist, new RecipeWish('goes'))['recipes'][0];
    expect($lost->recipe)->toBeNull()->and($lost->missing)->toBe(['ZZ:1'])->and(KeptRecipes::kept($lost->row)->L)->toBeGreaterThan(20.0);
});

it('is offered in a piece where it fits', function (): void {
    $kept = ($this->keep)();
    $colour = $kept['recipe']['predicted'];
    $book = $this->postJson('/api/pieces/'.pieceOf($this->artist)->id.'/recipes', ['L' => $colour['L'], 'a' => $colour['a'], 'b' => $colour['b']])->assertOk()->json('book');
    expect(array_column($book, 'from'))->toContain('Rope in shade');
});

it('finds a ladder from pale to dark, and keeps it together', function (): void {
    $ladder = $this->postJson('/api/ladders', ['colour' => 'QW:3131', 'paper' => 'harbour-cartridge', 'rungs' => 4, 'same' => false])->assertOk()->json();
    expect($ladder)->toHaveCount(4)->and(array_column(array_column(array_column($ladder, 'recipe'), 'predicted'), 'L'))->toBe(collect($ladder)->pluck('recipe.predicted.L')->sortDesc()->values()->all())
        ->and(KeptRecipe::query()->count())->toBe(0);
    $kept = $this->postJson('/api/recipes/ladder', ['name' => 'Planks', 'tags' => ['wood'], 'paper' => 'harbour-cartridge', 'stacks' => array_column(array_column($ladder, 'recipe'), 'stack')])->assertCreated()->json();
    expect(array_column($kept, 'name'))->toBe(['Planks 1', 'Planks 2', 'Planks 3', 'Planks 4'])->and(array_column($kept, 'rung'))->toBe([1, 2, 3, 4])->and(array_unique(array_column($kept, 'ladder')))->toHaveCount(1);
    $this->postJson('/api/ladders', ['colour' => '', 'paper' => 'harbour-cartridge', 'rungs' => 4, 'same' => false])->assertStatus(422)->assertSee('Type the colour of the ladder');
    $this->actingAs(artist(false));
    $this->postJson('/api/ladders', ['colour' => '#aa3322', 'paper' => 'harbour-cartridge', 'rungs' => 4, 'same' => true])->assertStatus(422)->assertSee('box is empty');
});

it('goes out as a table and comes back the same, in another studio too', function (): void {
    ($this->keep)();
    ($this->keep)(['name' => '=Sea, "far"', 'tags' => [], 'stack' => 'LO:4841@60x2']);
    $csv = $this->get('/api/recipes.csv')->assertOk()->getContent();
    expect($this->get('/api/recipes.csv?tag=rope')->getContent())->not->toContain('Sea')
        ->and($this->get('/api/recipes.gpl')->assertOk()->getContent())->toContain('Rope in shade')
        ->and(array_column($this->postJson('/api/recipes/preview', ['text' => $csv])->assertOk()->json(), 'known'))->toBe(['=Sea, "far"', 'Rope in shade']);
    $this->postJson('/api/recipes/import', ['text' => $csv])->assertOk()->assertJson(['written' => 0]);
    $other = artist();
    $this->actingAs($other);
    $this->postJson('/api/recipes/import', ['text' => $csv])->assertOk()->assertJson(['written' => 2]);
    expect($this->get('/api/recipes.csv')->getContent())->toBe($csv);
});

it('takes nothing in of a table with a bad row, and says each', function (): void {
    $text = "name,paper,steps,tags\nGood,harbour-cartridge,QW:3131@40,\nBad paper,moon,QW:3131@40,\n,harbour-cartridge,QW:0000@40,\n";
    $refused = $this->postJson('/api/recipes/import', ['text' => $text])->assertStatus(422)->json('rows');
    expect(array_map(static fn (array $row): string => $row['row'].' '.$row['column'], $refused))->toBe(['3 paper', '4 name', '4 steps'])->and(KeptRecipe::query()->count())->toBe(0);
});

it('is printed as cards', function (): void {
    $this->getJson('/api/recipes/cards.pdf')->assertNotFound();
    foreach (range(1, 5) as $n) {
        ($this->keep)(['name' => "Card $n", 'stack' => sprintf('QW:3131@%d', 30 + $n)]);
    }
    $pdf = $this->get('/api/recipes/cards.pdf')->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
    expect($pdf)->toStartWith('%PDF')->and(preg_match_all('~/Type\s*/Page\b~', $pdf))->toBe(2);
});

it('is an artist’s own', function (): void {
    $kept = ($this->keep)();
    $this->actingAs(artist());
    expect($this->getJson('/api/recipes')->json('count'))->toBe(0);
    $this->putJson("/api/recipes/{$kept['id']}", ['version' => 1, 'name' => 'Mine'])->assertNotFound();
    $this->deleteJson("/api/recipes/{$kept['id']}")->assertNotFound();
    $target = spotIn(pieceOf($this->artist), 'coil', [60, 10, 25]);
    $this->postJson('/api/recipes', [...$this->form, 'target' => $target->id])->assertNotFound();
});

it('holds its paper', function (): void {
    ($this->keep)();
    expect(PaperBook::uses($this->artist, Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail()))->toBe('1 recipe');
});
