<?php

declare(strict_types=1);

use App\Models\DrillRound;
use App\Studio\DemoPiece;
use Prism\Practice\DrillKind;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->artist = artist();
    $this->artist->box()->syncWithoutDetaching(DemoPiece::box());
    $this->actingAs($this->artist);
    // A photo whose zones pencils of the box come near to, one darker than the other.
    $this->piece = pieceOf($this->artist);
    foreach ([[82, 6, 16], [70, 18, 34], [58, 30, 30], [46, -18, 8], [34, 6, -18], [22, 14, 4], [64, -10, 24], [52, 2, -14], [40, 20, 12], [74, -4, -6]] as $at => [$L, $a, $b]) {
        $zone = $this->piece->zones()->create(['name' => "zone $at", 'x' => 0.1 + 0.08 * $at, 'y' => 0.5, 'radius' => 0.01, 'share' => 0.1, 'position' => $at + 1]);
        foreach (['light' => 10, 'middle' => 0, 'dark' => -12] as $role => $by) {
            $zone->targets()->create(['role' => $role, 'L' => $L + $by, 'a' => $a + $by / 3, 'b' => $b - $by / 2, 'spread' => 0, 'share' => 0.3, 'x' => 0.1, 'y' => 0.5]);
        }
    }
    $this->begin = fn (string $kind): array => $this->postJson('/api/practice/rounds', ['kind' => $kind])->assertCreated()->json();
    $this->answer = fn (array $round, int $question, array $answer) => $this->postJson("/api/practice/rounds/{$round['id']}/answers", ['question' => $question, 'answer' => $answer]);
    $this->right = static fn (array $round, int $question): array => DrillRound::query()->findOrFail($round['id'])->questions[$question]['right'];
    /** A round of so many right answers. */
    $this->practise = function (string $kind, int $right): array {
        $round = ($this->begin)($kind);
        for ($i = 0; $i < 5; $i++) {
            $answer = ($this->right)($round, $i);
            ($this->answer)($round, $i, $i < $right ? $answer : ['nothing'])->assertOk();
        }

        return $this->getJson("/api/practice/rounds/{$round['id']}")->json();
    };
    $this->skill = fn (string $kind): array => collect($this->getJson('/api/practice')->assertOk()->json('skills'))->firstWhere('kind', $kind);
});

it('asks five questions of each drill from the box, and keeps what is right to itself', function (DrillKind $kind): void {
    $round = ($this->begin)($kind->value);
    expect($round['questions'])->toHaveCount(5)->and($round['level'])->toBe(1)->and($round['isDone'])->toBeFalse();
    foreach ($round['questions'] as $question) {
        expect($question['answered'])->toBeNull()->and(json_encode($question))->not->toContain('because');
    }
})->with(DrillKind::cases());

it('tells after each answer what was right, and why', function (): void {
    $round = ($this->begin)('value');
    $right = ($this->right)($round, 0);
    $told = ($this->answer)($round, 0, $right)->assertOk()->json();
    expect($told['questions'][0]['answered'])->toMatchArray(['answer' => $right, 'right' => $right, 'isRight' => true])->and($told['questions'][0]['answered']['because'])->toContain('L*')
        ->and($told['questions'][1]['answered'])->toBeNull()->and($told['right'])->toBe(1);
    $wrong = ($this->answer)($round, 1, ['nothing'])->assertOk()->json('questions.1.answered');
    expect($wrong['isRight'])->toBeFalse()->and($wrong['right'])->toBe(($this->right)($round, 1));
});

it('takes each answer once, and in turn', function (): void {
    $round = ($this->begin)('next');
    ($this->answer)($round, 1, ['x'])->assertStatus(409);
    ($this->answer)($round, 0, ['x'])->assertOk();
    ($this->answer)($round, 0, ['y'])->assertStatus(409);
    ($this->answer)($round, 1, [])->assertStatus(422);
    $this->postJson('/api/practice/rounds', ['kind' => 'juggling'])->assertStatus(422)->assertSee('no such drill');
});

it('gets harder after a good round and comes later; easier after a poor one', function (): void {
    expect(($this->skill)('coats'))->toMatchArray(['level' => 1, 'isDue' => true, 'dueAt' => null, 'rounds' => []]);
    expect(($this->practise)('coats', 5)['isDone'])->toBeTrue();
    expect(($this->skill)('coats'))->toMatchArray(['level' => 2, 'isDue' => false])->and(($this->begin)('coats')['level'])->toBe(2);
    $this->travel(3)->days();
    expect(($this->skill)('coats')['isDue'])->toBeTrue();
    ($this->practise)('coats', 1);
    $skill = ($this->skill)('coats');
    expect($skill['level'])->toBe(1)->and(array_column($skill['rounds'], 'right'))->toBe([5, 1]);
});

it('puts first what is forgotten, and counts days on end', function (): void {
    ($this->practise)('order', 5);
    $this->travel(1)->days();
    ($this->practise)('muddy', 0);
    expect($this->getJson('/api/practice')->json('streak'))->toBe(2);
    $this->travel(1)->days();
    expect($this->getJson('/api/practice')->json('streak'))->toBe(2)->and(array_slice(array_column($this->getJson('/api/practice')->json('skills'), 'kind'), 0, 2))->toEqualCanonicalizing(['order', 'muddy']);
    $this->travel(1)->days();
    expect($this->getJson('/api/practice')->json('streak'))->toBe(0);
});

it('says what a box lacks for a drill', function (): void {
    $this->actingAs(artist(false));
    $this->postJson('/api/practice/rounds', ['kind' => 'next'])->assertStatus(422)->assertSee('pencils with a colour');
});

it('is one’s own', function (): void {
    $round = ($this->begin)('value');
    $this->actingAs(artist());
    $this->getJson("/api/practice/rounds/{$round['id']}")->assertNotFound();
    ($this->answer)($round, 0, ['5'])->assertNotFound();
    expect(collect($this->getJson('/api/practice')->json('skills'))->every(static fn (array $skill): bool => $skill['rounds'] === []))->toBeTrue();
});

it('lays out a palette for the week, the same until Monday, and keeps the engine’s answer to itself', function (): void {
    $this->travelTo('2026-11-25 10:00:00');
    $week = $this->getJson('/api/practice/week')->assertOk()->json();
    expect($week['pencils'])->toHaveCount(6)->and($week['says'])->toMatch('/^No .+ this week: mix it\.$/')->and(array_column($week['parts'], 'role'))->toBe(['light', 'middle', 'dark'])
        ->and(array_column($week['parts'], 'mine'))->toBe([null, null, null])->and(array_column($week['parts'], 'engine'))->toBe([null, null, null]);
    $this->travelTo('2026-11-29 23:00:00');
    expect($this->getJson('/api/practice/week')->json())->toBe($week)->and($this->artist->drillRounds()->count())->toBe(1);
    $this->travelTo('2026-11-30 08:00:00');
    expect($this->getJson('/api/practice/week')->json())->not->toBe($week)->and($this->artist->drillRounds()->count())->toBe(2);
    // It is no drill, and no round of one.
    expect(collect($this->getJson('/api/practice')->json('skills'))->pluck('kind'))->not->toContain('week');
    $this->getJson('/api/practice/rounds/'.$this->artist->drillRounds()->firstOrFail()->id)->assertNotFound();
});

it('compares what one lays with what the engine lays with the same six', function (): void {
    $week = $this->getJson('/api/practice/week')->assertOk()->json();
    $six = array_column($week['pencils'], 'id');
    $stacks = ['light' => "$six[0]@35", 'middle' => "$six[2]@50x2 > $six[1]@40", 'dark' => "$six[5]@60x2"];
    $done = $this->postJson('/api/practice/week', $stacks)->assertOk()->json();
    expect($done['isDone'])->toBeTrue()->and(array_map(static fn (array $part): string => $part['mine']['stack'], $done['parts']))->toBe(array_values($stacks));
    $right = 0;
    foreach ($done['parts'] as $part) {
        foreach ($part['engine']['steps'] as $step) {
            expect($step['pencil'] === null || in_array($step['pencil']['id'], $six, true))->toBeTrue();
        }
        $right += $part['mine']['difference']['dE00'] <= $part['engine']['difference']['dE00'] + 1.5 ? 1 : 0;
    }
    expect($done['right'])->toBe($right)->and($this->getJson('/api/practice/week')->json())->toBe($done);
    $this->postJson('/api/practice/week', $stacks)->assertConflict();
});

it('refuses what is not of the six, nothing, and a stack that is none; and says what is missing for a palette', function (): void {
    $week = $this->getJson('/api/practice/week')->assertOk()->json();
    $six = array_column($week['pencils'], 'id');
    $other = $this->artist->box()->with('range')->get()->map(fn ($pencil): string => "{$pencil->range->code}:$pencil->number")->first(fn (string $id): bool => ! in_array($id, $six, true));
    $stacks = ['light' => "$six[0]@35", 'middle' => "$other@50", 'dark' => "$six[5]@60"];
    expect($this->postJson('/api/practice/week', $stacks)->assertUnprocessable()->json('message'))->toContain('in the middle, is not one of the six.')
        ->and($this->postJson('/api/practice/week', ['dark' => ''] + $stacks)->assertUnprocessable()->json('errors.dark.0'))->toBe('Say what you would lay for the dark.')
        ->and($this->postJson('/api/practice/week', ['middle' => 'QW:6858@500'] + $stacks)->assertUnprocessable()->json('message'))->not->toBe('');
    expect($this->artist->drillRounds()->firstOrFail()->done_at)->toBeNull();
    $this->actingAs(artist());
    expect($this->getJson('/api/practice/week')->assertUnprocessable()->json('message'))->toContain('Read one in Look first.');
});
