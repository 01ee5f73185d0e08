<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Advice\WhyNote;
use Prism\Matching\Advice\WhyNotes;
use Prism\Matching\Target;

use function Tests\Core\model;
use function Tests\Core\pencils;

/** @return array<string, WhyNote> by what was tried */
function why(string $stack, ?int $underlayer = null, ?Lab $target = null): array
{
    $notes = [];
    foreach ((new WhyNotes(new Predictor(model()), pencils()))->of(Stack::parse($stack), Target::colour($target ?? Lab::of(50, 0, 0)), $underlayer) as $note) {
        $notes[$note->what] = $note;
    }

    return $notes;
}

it('tells what the complement under a colour did: without it the colour is lighter and cleaner', function (): void {
    $notes = why('QW:7432@45 > QW:5925@60', 0);
    $note = $notes['Without 7432 under it'];
    expect((string) $note->stack)->toBe('QW:5925@60')->and($note->difference->dL)->toBeGreaterThan(1.0)->and($note->difference->dChroma)->toBeGreaterThan(1.0);
});

it('tries the other order, and the last two of more', function (): void {
    expect((string) why('QW:6858@60 > QW:3737@70')['In the other order']->stack)->toBe('QW:3737@70 > QW:6858@60')
        ->and((string) why('QW:7432@30 > QW:6858@60 > QW:3737@80')['With the last two in the other order']->stack)->toBe('QW:7432@30 > QW:3737@80 > QW:6858@60');
});

it('tries white for yellow and yellow for white', function (): void {
    $yellow = why('QW:5925@60 > QW:3737@80');
    $white = array_values(array_filter($yellow, static fn (WhyNote $note): bool => str_contains($note->what, 'instead of yellow')));
    expect($white)->toHaveCount(1)
        // Yellow keeps the chroma, white goes pastel.
        ->and($white[0]->colour->chroma())->toBeLessThan(model()->draw(Stack::parse('QW:5925@60 > QW:3737@80'))->lab()->chroma());
    expect(array_filter(array_keys(why('QW:5925@60 > QW:1823@80')), static fn (string $what): bool => str_contains($what, 'instead of white')))->toHaveCount(1);
});

it('tries without a wash, and with a lighter hand at the end', function (): void {
    expect((string) why('QW:6858@50x3 > wash > QW:7284@20')['Without the wash']->stack)->toBe('QW:6858@50x3 > QW:7284@20')
        ->and((string) why('QW:6858@50x2 > QW:3769@95')['Pressed less hard at the end, 70 %']->stack)->toBe('QW:6858@50x2 > QW:3769@70');
});

it('says of the ways to do otherwise what the eye sees, and of each layer what it does, weak ones too, and what would come nearer', function (): void {
    $target = model()->draw(Stack::parse('QW:3737@70 > QW:6858@60'))->lab();
    $notes = why('QW:6858@60 > QW:3737@70', target: $target);
    expect($notes['In the other order']->nearer)->toBeTrue();
    $last = INF;
    foreach ($notes as $note) {
        expect($note->difference->dE00)->toBeLessThanOrEqual($last)
            ->and($note->difference->dE00 > 1.0 || str_contains($note->what, 'hardly shows'))->toBeTrue();
        $last = $note->difference->dE00;
    }
    expect(why(''))->toBe([]);
});

it('tells what each pencil does, in rounds all of it, and which hardly shows', function (): void {
    $notes = why('QW:6858@40x2 > QW:5925@40 > QW:6858@40x2 > QW:5925@40 > QW:3737@5');
    expect((string) $notes['Without 6858']->stack)->toBe('QW:5925@40 > QW:5925@40 > QW:3737@5')
        ->and($notes['Without 6858']->difference->dL)->toBeGreaterThan(2.0)
        ->and($notes)->toHaveKey('Without 3737, which hardly shows');
});
