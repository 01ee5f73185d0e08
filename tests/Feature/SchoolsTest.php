<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Studio\Planning\SchoolChoices;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Prism\Schools\FirstValue;
use Prism\Schools\Highlights;
use Prism\Schools\Shadows;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->user = artist();
    $this->piece = pieceOf($this->user);
    $this->actingAs($this->user);
    $this->url = "/api/pieces/{$this->piece->id}";
});

it('explains every school in one sentence, and starts as is usual', function (): void {
    $schools = $this->getJson('/api/schools')->assertOk()->json();
    expect(array_column($schools['questions'], 'id'))->toBe(array_keys(SchoolChoices::QUESTIONS))->and($schools['chosen'])->toMatchArray([
        'value' => 'light-to-dark', 'shadows' => 'complement', 'highlights' => 'reserve', 'complement' => 'under', 'blending' => 'layers', 'blackAndWhite' => 'last',
    ]);
    foreach ($schools['questions'] as $question) {
        $ids = array_column($question['schools'], 'id');
        expect(count($ids))->toBeGreaterThan(1)->and(in_array($schools['chosen'][$question['id']], $ids, true))->toBeTrue();
        foreach ($question['schools'] as $school) {
            expect($school['sentence'])->toEndWith('.')->and(strlen($school['sentence']))->toBeLessThan(170)->and($school['name'])->not->toBe('');
        }
    }
});

it('is answered by the studio, over it by a piece, over that by a zone; each can be taken back', function (): void {
    $this->putJson('/api/schools', ['schools' => ['shadows' => 'split', 'value' => 'dark-to-light']])->assertOk()->assertJsonPath('chosen.shadows', 'split');
    $this->getJson($this->url)->assertJsonPath('schools.chosen.shadows', 'split')->assertJsonPath('schools.own', []);
    $this->patchJson($this->url, ['schools' => ['shadows' => 'neutral']])->assertOk()->assertJsonPath('schools.chosen.shadows', 'neutral')->assertJsonPath('schools.own', ['shadows']);
    $zone = $this->piece->zones()->create(['name' => 'Jug', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1]);
    $this->patchJson("/api/zones/{$zone->id}", ['version' => 1, 'schools' => ['shadows' => 'black', 'highlights' => 'lift']])->assertOk();
    $choices = SchoolChoices::ofZone($zone->refresh());
    expect($choices->schools()->shadows)->toBe(Shadows::Black)->and($choices->schools()->value)->toBe(FirstValue::DarkToLight)->and($choices->highlights())->toBe(Highlights::Lift);
    $this->patchJson("/api/zones/{$zone->id}", ['version' => 2, 'schools' => ['shadows' => null, 'highlights' => null]])->assertOk();
    expect($zone->refresh()->schools)->toBeNull();
    $this->patchJson($this->url, ['schools' => ['shadows' => null]])->assertJsonPath('schools.chosen.shadows', 'split')->assertJsonPath('schools.own', []);
});

it('is not answered by what is no school, nor for another artist', function (): void {
    $this->putJson('/api/schools', ['schools' => ['shadows' => 'loud']])->assertUnprocessable()->assertJsonValidationErrors('schools.shadows');
    $this->putJson('/api/schools', ['schools' => ['taste' => 'good']])->assertUnprocessable();
    $zone = $this->piece->zones()->create(['name' => 'Jug', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1]);
    $this->patchJson("/api/zones/{$zone->id}", ['version' => 1, 'schools' => ['background' => 'zone-by-zone']])->assertUnprocessable();
    $this->actingAs(artist())->patchJson("/api/zones/{$zone->id}", ['version' => 1, 'schools' => ['shadows' => 'black']])->assertNotFound();
    $this->getJson('/api/schools')->assertJsonPath('chosen.shadows', 'complement');
});

it('bears on the recipes that are found for a zone', function (): void {
    $zone = $this->piece->zones()->create(['name' => 'Jug', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.01, 'position' => 1, 'estimates' => ['surface' => 'hard']]);
    $found = fn (array $more = []): string => $this->postJson($this->url.'/recipes', ['L' => 42, 'a' => 24, 'b' => 12, 'zone' => $zone->id, ...$more])->assertOk()->json('recipes.0.stack');
    expect($found())->not->toContain('blend');
    $this->patchJson("/api/zones/{$zone->id}", ['version' => 1, 'schools' => ['blending' => 'blender']])->assertOk();
    expect($found())->toEndWith('blend')->and($found(['zone' => null]))->not->toContain('blend');
    // Never on what is soft.
    $this->patchJson("/api/zones/{$zone->id}", ['version' => 2, 'corrections' => ['surface' => 'soft']])->assertOk();
    expect($found())->not->toContain('blend');
});

it('is kept of pieces that were there before schools were gathered', function (): void {
    $id = $this->piece->id;
    $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_28_000001_gather_schools'), '--force' => true])->assertSuccessful();
    expect(Schema::hasColumn('pieces', 'schools'))->toBeFalse();
    DB::table('pieces')->where('id', $id)->update(['school' => 'form-first', 'highlights' => 'lift', 'progress' => 'zone-by-zone']);
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
    expect(Piece::query()->findOrFail($id)->schools)->toEqualCanonicalizing(['value' => 'form-first', 'background' => 'zone-by-zone', 'highlights' => 'lift']);
    $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_28_000001_gather_schools'), '--force' => true])->assertSuccessful();
    expect(DB::table('pieces')->where('id', $id)->value('school'))->toBe('form-first');
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
});

it('has a picture of every school, from bare paper to near the colours that it was to be', function (): void {
    $pictures = json_decode((string) file_get_contents(resource_path('js/studio/schools.json')), true);
    foreach (App\Studio\Planning\SchoolChoices::QUESTIONS as $question => [, $schools]) {
        expect(array_keys($pictures[$question]))->toBe(array_column($schools::cases(), 'value'));
        foreach ($pictures[$question] as $stages) {
            expect(array_unique($stages[0]))->toHaveCount(1)->and(array_unique(end($stages)))->toHaveCount(6);
        }
    }
});
