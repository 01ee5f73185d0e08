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
