<?php

declare(strict_types=1);

use App\Models\DrawingEntry;
use App\Models\DrawnStep;
use App\Models\Piece;
use App\Models\Recipe;
use App\Studio\Drawing\OtherRecipes;
use App\Studio\Planning\ZoneRecipes;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Prism\Layering\Stack;
use Prism\Matching\Search\Correction;
use Prism\Reference\Zones\TargetRole;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

beforeEach(function (): void {
    $user = artist();
    $this->actingAs($user);
    $this->url = '/api/pieces/'.pieceOf($user)->id;
    // Planned from the box, so that it would come out right as it stands.
    $this->zone = $this->postJson($this->url.'/zones', ['name' => 'float', 'x' => 0.25, 'y' => 0.25, 'radius' => 0.05])->assertCreated()->json();
    $recipe = $this->postJson($this->url.'/recipes', ['L' => 46, 'a' => 20, 'b' => 12])->assertOk()->json('recipes.0');
    $this->stack = $recipe['notation'] ?? $recipe['stack'];
    $target = $this->zone['targets'][0];
    $this->patchJson('/api/targets/'.$target['id'], ['version' => $target['version'] ?? 1, 'colour' => ['L' => 46, 'a' => 20, 'b' => 12], 'stack' => $this->stack])->assertOk();
    $this->plan = $this->getJson($this->url.'/plan')->assertOk()->json();
    $this->steps = collect($this->plan['steps']);
    $this->mark = fn (array $keys, string $state = 'done', array $more = []) => $this->postJson($this->url.'/drawing', ['mark' => (string) Str::ulid(), 'keys' => $keys, 'state' => $state, ...$more]);
    $this->replans = fn (): array => $this->getJson($this->url.'/drawing/replans')->assertOk()->json();
    $this->decide = fn (array $replan, bool $take, array $more = []) => $this->postJson($this->url.'/drawing/replans', ['mark' => (string) Str::ulid(), 'target' => $replan['target'], 'take' => $take, 'rest' => $replan['rest'], ...$more]);
    // Firmly, with the darkest that lies in the box.
    $this->spoilt = ['pencil' => 'QW:7432', 'pressurePercent' => 75, 'coats' => 4];
});

test('the prediction goes on from what was really laid', function (): void {
    $first = $this->steps->first();
    $after = ($this->mark)([$first['key']], 'done', ['otherwise' => ['pressurePercent' => 80, 'coats' => 5]])->assertOk()->json('steps.0.after');
    expect($after['L'])->toBeLessThan($first['after']['L'] - 3.0)->and(DrawnStep::query()->sole()->laid)->toContain('@80x5');
    $second = $this->getJson($this->url.'/plan')->json('steps.1');
    expect($second['before'])->toEqual($after);
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect($this->getJson($this->url.'/plan')->json('steps.0.after'))->toEqual($first['after']);
});

test('what was left out is not reckoned with', function (): void {
    $first = $this->steps->first();
    $second = ($this->mark)([$first['key']], 'skipped')->assertOk()->json('steps.1');
    expect($second['before'])->toEqual($first['before'])->and($second['before'])->not->toEqual($first['after']);
});

test('what is as planned is not planned anew', function (): void {
    ($this->mark)([$this->steps->first()['key']])->assertOk();
    expect(($this->replans)())->toBe([]);
});

test('what was laid as planned then, and is planned otherwise since, is not asked about; what the hand did is', function (): void {
    $first = $this->steps->first();
    ($this->mark)([$first['key']])->assertOk();
    // The plan has changed since: what lies there is not what it says now, by far.
    DrawnStep::query()->sole()->update(['laid' => 'QW:7432@75x4']);
    expect($this->getJson($this->url.'/plan')->json('steps.0.after'))->not->toEqual($first['after'])->and(($this->replans)())->toBe([]);
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    ($this->mark)([$first['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    expect(DrawnStep::query()->sole()->laid)->toBe('QW:7432@75x4')->and(($this->replans)())->toHaveCount(1);
});

test('where another pencil takes a place too far, what follows is planned anew and taken at one press, and all of it is undone', function (): void {
    $first = $this->steps->first();
    ($this->mark)([$first['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    [$replan] = ($this->replans)();
    expect($replan['old']['dE00'])->toBeGreaterThan(Correction::EYE)->and($replan['new']['dE00'])->toBeLessThan($replan['old']['dE00'] - 0.6)
        ->and($replan['present'][0]['notation'])->toBe('QW:7432@75x4')->and($replan['sentence'])->toContain('As it goes on');
    $plan = ($this->decide)($replan, true)->assertOk()->json();
    $stack = Recipe::query()->where('target_id', $replan['target'])->sole()->stack;
    expect($stack)->toBe(implode(' > ', array_filter(['QW:7432@75x4', $replan['rest']])))
        ->and($plan['steps'][0]['state'])->toBe('done')->and($plan['done'])->toBe(1)
        ->and(($this->replans)())->toBe([]);
    $last = collect($plan['steps'])->last();
    expect($last['after'])->toEqualWithDelta($replan['new']['colour'], 1.5);
    // The press, then what it was upon.
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect(Recipe::query()->where('target_id', $replan['target'])->sole()->stack)->toBe($this->stack);
    expect(array_column(($this->replans)(), 'rest'))->toBe([$replan['rest']]);
    $plan = $this->deleteJson($this->url.'/drawing/last')->assertOk()->json();
    expect($plan['done'])->toBe(0)->and($plan['steps'][0]['after'])->toEqual($first['after'])->and(($this->replans)())->toBe([]);
});

test('a place that is left as it is is not asked about again until something else is laid there', function (): void {
    ($this->mark)([$this->steps->first()['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    [$replan] = ($this->replans)();
    ($this->decide)($replan, false)->assertOk();
    expect(($this->replans)())->toBe([]);
    $this->deleteJson($this->url.'/drawing/last')->assertOk();
    expect(($this->replans)())->toHaveCount(1);
});

test('a new plan of a place that is another by now is refused', function (): void {
    ($this->mark)([$this->steps->first()['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    [$replan] = ($this->replans)();
    ($this->decide)($replan, true, ['rest' => 'QW:6858@20'])->assertConflict();
    expect(Recipe::query()->where('target_id', $replan['target'])->sole()->stack)->toBe($this->stack);
});

test('a new plan that is sent twice is taken once', function (): void {
    ($this->mark)([$this->steps->first()['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    [$replan] = ($this->replans)();
    $press = ['mark' => (string) Str::ulid()];
    ($this->decide)($replan, true, $press)->assertOk();
    ($this->decide)($replan, true, $press)->assertOk();
    expect(DrawingEntry::query()->where('kind', 'replanned')->count())->toBe(1);
});

test('what is dabbed off after it was laid lies thinner', function (): void {
    $first = $this->steps->first();
    ($this->mark)([$first['key']])->assertOk();
    $after = ($this->mark)([$first['key']], 'done', ['otherwise' => ['dabs' => 2]])->assertOk()->json('steps.0.after');
    expect($after['L'])->toBeGreaterThan($first['after']['L'])->and(DrawnStep::query()->sole()->laid)->toEndWith('lift > lift');
});

test('colour on a place that was to stay paper is lifted or covered by what follows', function (): void {
    $zone = $this->postJson($this->url.'/zones', ['name' => 'glint', 'x' => 0.6, 'y' => 0.6, 'radius' => 0.02, 'stack' => ''])->assertCreated()->json();
    $target = $zone['targets'][0];
    $this->patchJson('/api/targets/'.$target['id'], ['version' => $target['version'], 'colour' => ['L' => 95, 'a' => 0, 'b' => 1]])->assertOk();
    $reserve = collect($this->getJson($this->url.'/plan')->json('steps'))->firstWhere('zone.id', $zone['id']);
    expect($reserve['role'])->toBe('reserve');
    // Without a pencil nothing can have come there.
    ($this->mark)([$reserve['key']], 'done', ['otherwise' => ['dabs' => 1]])->assertUnprocessable()->assertJsonPath('message', 'Nothing lies there: say which pencil came there.');
    ($this->mark)([$reserve['key']], 'done', ['otherwise' => ['pencil' => 'QW:7432', 'pressurePercent' => 45]])->assertOk();
    [$replan] = ($this->replans)();
    expect($replan['name'])->toBe('glint')->and($replan['new']['dE00'])->toBeLessThan($replan['old']['dE00'])
        ->and($replan['rest'])->not->toBe('');
    $plan = ($this->decide)($replan, true)->assertOk()->json();
    $steps = collect($plan['steps'])->where('zone.id', $zone['id'])->values();
    expect($steps[0]['state'])->toBe('done')->and($steps->where('state', 'open')->count())->toBe(count(Stack::parse($replan['rest'])));
});

test('what cannot have been laid is refused in words, and nothing is marked', function (array $otherwise, string $field): void {
    ($this->mark)([$this->steps->first()['key']], 'done', ['otherwise' => $otherwise])->assertUnprocessable()->assertJsonValidationErrors($field);
    expect(DrawnStep::query()->count())->toBe(0)->and(DrawingEntry::query()->count())->toBe(0);
})->with([
    'a pencil that is nowhere' => [['pencil' => 'QW:1'], 'otherwise.pencil'],
    'too hard' => [['pressurePercent' => 140], 'otherwise.pressurePercent'],
    'too many coats' => [['coats' => 12], 'otherwise.coats'],
    'half a coat' => [['coats' => 1.5], 'otherwise.coats'],
    'too many dabs' => [['dabs' => 9], 'otherwise.dabs'],
    'nothing' => [[], 'otherwise'],
]);

test('nothing can be otherwise in what was skipped', function (): void {
    ($this->mark)([$this->steps->first()['key']], 'skipped', ['otherwise' => ['coats' => 2]])->assertUnprocessable();
});

test('the log says what was laid instead of what, however the plan changes', function (): void {
    $first = $this->steps->first();
    ($this->mark)([$first['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    ($this->decide)(($this->replans)()[0], true)->assertOk();
    [$replanned, $laid] = $this->getJson($this->url.'/drawing')->assertOk()->json();
    expect($laid['did']['laid'][0]['notation'])->toBe('QW:7432@75x4')->and($laid['did']['planned'][0]['notation'])->toBe($first['step']['notation'])
        ->and($laid['did']['places'])->toBe(['float'])->and($replanned['kind'])->toBe('replanned');
});

test('another artist neither sees nor takes a new plan of a place', function (): void {
    ($this->mark)([$this->steps->first()['key']], 'done', ['otherwise' => $this->spoilt])->assertOk();
    [$replan] = ($this->replans)();
    $this->actingAs(artist());
    $this->getJson($this->url.'/drawing/replans')->assertNotFound();
    ($this->decide)($replan, true)->assertNotFound();
});

test('marks from before it was noted what was laid lie as planned', function (): void {
    $first = $this->steps->first();
    ($this->mark)([$first['key']])->assertOk();
    $this->artisan('migrate:rollback', ['--step' => backTo('2026_11_28_000015_note_what_was_really_laid'), '--force' => true])->assertSuccessful();
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
    expect(DrawnStep::query()->sole()->laid)->toBeNull()
        ->and($this->getJson($this->url.'/plan')->json('steps.0.after'))->toEqual($first['after']);
});

it('answers every press with the plan as it is then', function (): void {
    [$first, $second] = [$this->steps->first()['key'], $this->steps->last()['key']];
    $presses = [[$first, 'done'], [$first, 'open'], [$first, 'skipped'], [$first, 'done'], [$second, 'done', ['otherwise' => $this->spoilt]], [$second, 'open'], [$second, 'done']];
    foreach ($presses as $press) {
        [$key, $state, $more] = [...$press, []];
        $told = ($this->mark)([$key], $state, $more)->assertOk()->json();
        expect($told)->toEqual($this->getJson($this->url.'/plan')->json(), "$key $state");
    }
});

test('lines are not mapped once more where another recipe would have them mapped in another colour', function (): void {
    $piece = Piece::query()->sole();
    $target = spotIn($piece, 'rope', [45.0, 10.0, 20.0], 'QW:7432@55x2');
    $line = $target->zone->targets()->create(['role' => TargetRole::Line, 'L' => 25, 'a' => 0, 'b' => 0, 'spread' => 0, 'share' => 0.05, 'x' => 0.2, 'y' => 0.2, 'line_width' => 0.002]);
    $line->recipe()->create(['stack' => 'QW:7432@70']);
    $plan = fn (): Collection => collect($this->getJson($this->url.'/plan')->assertOk()->json('steps'))->where('zone.id', $target->zone_id);
    $map = fn (): array => $plan()->firstWhere('role', 'map') ?? [];
    $was = $map();
    expect($was)->not->toBe([]);
    ($this->mark)($plan()->pluck('key')->all())->assertOk();

    // Gone over with a paler pencil, that maps without a trace.
    $entry = $piece->drawingEntries()->create(['mark' => $mark = (string) Str::ulid(), 'kind' => 'corrected', 'made_at' => now(), 'did' => ['photo' => '', 'targets' => [$target->id], 'rest' => '', 'places' => []]]);
    app(OtherRecipes::class)->take($piece->refresh(), $entry, app(ZoneRecipes::class)->plan($piece), [$target->id => [Stack::parse('QW:7432@55x2')->steps, Stack::parse('QW:2794@40')]]);
    expect($map()['key'])->not->toBe($was['key'])->and($map()['state'])->toBe('done')
        ->and($plan()->where('state', 'open')->pluck('role')->unique()->values()->all())->toBe(['layer']);
    $this->deleteJson($this->url."/drawing/last?mark=$mark")->assertOk();
    expect($map()['key'])->toBe($was['key'])->and($plan()->where('state', 'open')->all())->toBe([]);
});
