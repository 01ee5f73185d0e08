<?php

declare(strict_types=1);

use App\Mail\PasswordReset;
use App\Models\Piece;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\DemoStudio;
use App\Studio\LongWork\DemoPieceWork;
use App\Studio\LongWork\WorkCancelled;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Swatches\SwatchBook;
use App\Studio\Zones\PictureParts;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Planning\Order\PlanStep;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;
use function Tests\Feature\uploaded;

it('says who is there', function (): void {
    $this->getJson('/api/session')->assertOk()->assertExactJson(['user' => null, 'demo' => true]);
    $user = artist();
    $this->actingAs($user)->getJson('/api/session')->assertJsonPath('user.email', $user->email)->assertJsonPath('user.boxCount', 15);
});

it('opens a new studio, signs out and in again', function (): void {
    $this->postJson('/api/account', ['name' => 'Ines', 'email' => 'ines@example.org', 'password' => 'ten pencils', 'password_confirmation' => 'ten pencils'])
        ->assertOk()->assertJsonPath('user.name', 'Ines')->assertJsonPath('user.boxCount', 0);
    expect(User::query()->firstOrFail()->password)->not->toBe('ten pencils');
    $this->deleteJson('/api/session')->assertJsonPath('user', null);
    $this->postJson('/api/session', ['email' => 'ines@example.org', 'password' => 'wrong pencils'])->assertUnprocessable()->assertJsonPath('errors.email.0', 'No studio has this e-mail with this password.');
    $this->postJson('/api/session', ['email' => 'ines@example.org', 'password' => 'ten pencils'])->assertJsonPath('user.name', 'Ines');
});

it('refuses accounts that cannot be', function (): void {
    $user = artist();
    $this->postJson('/api/account', ['name' => '', 'email' => $user->email, 'password' => 'short', 'password_confirmation' => 'other'])
        ->assertUnprocessable()->assertJsonValidationErrors(['name', 'email', 'password'])->assertJsonPath('errors.email.0', 'There is a studio with this e-mail already. Sign in instead.');
    $this->postJson('/api/account', ['name' => 'Ines', 'email' => 'new@example.org', 'password' => 'ten pencils', 'password_confirmation' => 'nine pencils'])
        ->assertUnprocessable()->assertJsonPath('errors.password.0', 'The two passwords differ; type the same one twice.');
    foreach (['/api/account', '/api/session', '/api/account/forgot'] as $url) {
        $this->postJson($url, ['email' => 'ines at example'])->assertUnprocessable()->assertJsonPath('errors.email.0', 'This is no e-mail address; one is written like ana@example.org.');
    }
});

it('slows down guessing', function (): void {
    $user = artist();
    for ($i = 0; $i < 5; $i++) {
        $this->postJson('/api/session', ['email' => $user->email, 'password' => "guess $i"])->assertUnprocessable();
    }
    $this->postJson('/api/session', ['email' => $user->email, 'password' => 'pencil-and-paper'])->assertTooManyRequests()
        ->assertJsonPath('message', fn (string $said): bool => str_starts_with($said, 'Too many tries. Wait '));
});

it('mails a link for a new password and says nothing of who exists', function (): void {
    Mail::fake();
    $user = artist();
    $this->postJson('/api/account/forgot', ['email' => 'nobody@example.org'])->assertNoContent();
    Mail::assertNothingSent();
    $this->postJson('/api/account/forgot', ['email' => $user->email])->assertNoContent();
    $url = null;
    Mail::assertSent(PasswordReset::class, function (PasswordReset $mail) use (&$url): bool {
        preg_match('/token=([^&\s]+)/', $mail->render(), $found);
        $url = $found[1] ?? null;

        return true;
    });
    $form = ['token' => $url, 'email' => $user->email, 'password' => 'another pencil', 'password_confirmation' => 'another pencil'];
    $this->postJson('/api/account/reset', [...$form, 'token' => 'made up'])->assertUnprocessable()->assertJsonValidationErrorFor('token');
    $this->postJson('/api/account/reset', $form)->assertNoContent();
    $this->postJson('/api/session', ['email' => $user->email, 'password' => 'another pencil'])->assertOk();
    $this->postJson('/api/account/reset', $form)->assertUnprocessable();
});

it('opens the demo only where there is one', function (): void {
    $this->postJson('/api/session/demo')->assertNotFound();
    User::factory()->create(['email' => config('prism.demo_email'), 'name' => 'Demo studio']);
    $this->postJson('/api/session/demo')->assertOk()->assertJsonPath('user.name', 'Demo studio');
    config(['prism.demo' => false]);
    $this->postJson('/api/session/demo')->assertNotFound();
});

it('gives each who opens the demo a studio of their own, and the same when they come back', function (): void {
    config(['prism.demo_copies' => true]);
    $demo = artist();
    $demo->update(['email' => config('prism.demo_email')]);
    $piece = pieceOf($demo);
    app(SwatchBook::class)->write($demo, $piece->paper, Stack::parse('QW:6858@60'), Lab::of(60, 5, -38), 'typed');
    app(Calibrations::class)->calibrate($demo);
    $target = spotIn($piece, 'Float', [50, 0, 0], 'QW:6858@30');
    $piece->update(['before_planning' => ['recipes' => [$target->id => null], 'palette' => null]]);

    $opened = $this->postJson('/api/session/demo')->assertOk();
    $mine = $this->getJson('/api/pieces')->json('0.id');
    expect($mine)->not->toBe($piece->id);
    $copy = $this->getJson("/api/pieces/$mine")->assertOk()->json();
    expect(array_column($copy['zones'], 'name'))->toBe(['Float'])->and(ZoneTarget::query()->findOrFail($copy['zones'][0]['targets'][0]['id'])->recipe->stack)->toBe('QW:6858@30')
        ->and(array_keys(Piece::query()->findOrFail($mine)->before_planning['recipes']))->toBe([$copy['zones'][0]['targets'][0]['id']]);
    $this->get($copy['photo']['url'])->assertOk();
    $user = Piece::query()->findOrFail($mine)->user;
    $box = app(Catalogue::class)->box($demo);
    expect($user->box()->count())->toBe(15)->and($user->swatches()->count())->toBe(1)
        ->and(app(Engine::class)->digest($piece->paper, $user, $box))->toBe(app(Engine::class)->digest($piece->paper, $demo->refresh(), $box));
    $this->patchJson("/api/pieces/$mine", ['title' => 'Mine'])->assertOk();
    uploaded($this->postJson("/api/references/{$copy['photo']['id']}/photo", ['photo' => picture()]));
    $this->patchJson("/api/pieces/$piece->id", ['title' => 'Theirs'])->assertNotFound();
    expect($piece->refresh()->title)->not->toBe('Mine')->and($piece->reference()->width)->toBe(64);

    // Back by the cookie; without it, or with one that was made up, another copy.
    $cookie = $opened->getCookie('prism_demo')->getValue();
    $again = fn (?string $with): string => $this->withCredentials()->withUnencryptedCookies([])->withCookies($with === null ? [] : ['prism_demo' => $with])->postJson('/api/session/demo')->json('user.email');
    expect($again($cookie))->toBe($user->email)->and($again((string) $demo->id))->not->toBe($demo->email)->not->toBe($user->email);
    // Kept for a day.
    $this->travel(25)->hours();
    $again(null);
    expect(User::query()->whereKey($user->id)->exists())->toBeFalse()->and(Piece::query()->whereKey($piece->id)->exists())->toBeTrue();
});

it('takes what was worked out beside a photo along with a copy, under the ids of the copy', function (): void {
    config(['prism.demo_copies' => true]);
    $demo = artist();
    $demo->update(['email' => config('prism.demo_email')]);
    $piece = pieceOf($demo);
    $target = spotIn($piece, 'Float', [50, 0, 0], 'QW:6858@30 > QW:4731@45');
    $kept = static fn (Piece $of): array => array_map(basename(...), [...glob(app(PhotoStore::class)->folderOf($of->reference()).'/plan-*') ?: [], ...glob(app(PhotoStore::class)->folderOf($of->reference()).'/parts-*') ?: []]);
    $keys = static fn (Piece $of): array => array_map(static fn (PlanStep $step): string => $step->key, app(ZoneRecipes::class)->plan($of)->steps);
    $theirs = $keys($piece);
    $parts = app(PictureParts::class)->all($piece);
    expect($kept($piece))->toHaveCount(2);

    $copy = app(DemoStudio::class)->copy()->pieces()->firstOrFail();
    expect($kept($copy))->toBe($kept($piece));
    $own = $copy->zones()->firstOrFail()->targets()->firstOrFail()->id;
    expect($keys($copy))->toBe(str_replace($target->id, $own, $theirs))->not->toBe($theirs)
        ->and(app(PictureParts::class)->all($copy))->toBe(['targets' => [$own], 'png' => $parts['png']])
        // Nothing was made anew.
        ->and($kept($copy))->toBe($kept($piece));
});

it('keeps strangers out and everything under strict headers', function (): void {
    foreach (['/api/pieces', '/api/pencils', '/api/papers'] as $path) {
        $this->getJson($path)->assertUnauthorized();
    }
    $response = $this->get('/')->assertOk();
    expect($response->headers->get('Content-Security-Policy'))->toContain("default-src 'none'")->toContain("script-src 'self'")->not->toContain('unsafe-eval')
        ->and($response->headers->get('X-Content-Type-Options'))->toBe('nosniff');
    $this->getJson('/api/nothing-here')->assertNotFound()->assertJsonPath('message', 'There is nothing at this address.');
});

it('asks for the token of the page', function (): void {
    // The framework skips this in tests; the middleware must be in the group all the same.
    expect(app(Illuminate\Contracts\Http\Kernel::class)->getMiddlewareGroups()['web'])->toContain(Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class);
});

it('gives a new artist the demo piece, planned with their own box', function (): void {
    $id = $this->actingAs(artist())->postJson('/api/works', ['kind' => 'demo-piece'])->assertAccepted()->assertJsonPath('state', 'done')->json('result.piece');
    $this->getJson("/api/pieces/$id")->assertOk()
        ->assertJsonCount(22, 'zones')
        ->assertJsonFragment(['name' => 'Buoy, light red'])
        ->assertJsonPath('zones.0.targets.1.role', 'middle')
        ->assertJsonPath('zones.0.targets.1.recipe.steps.0.kind', 'layer')
        // The seams between the boards, about a millimetre wide.
        ->assertJsonPath('zones.0.targets.3.role', 'line')
        ->assertJsonPath('zones.0.targets.3.lineMm', fn (float $mm): bool => $mm > 0.5 && $mm < 1.6)
        ->assertJsonPath('zones.20.targets.0.recipe.steps.0.kind', 'layer');
    // Without pencils there are no recipes yet; the zones are there all the same.
    $id = $this->actingAs(artist(withBox: false))->postJson('/api/works', ['kind' => 'demo-piece'])->assertAccepted()->json('result.piece');
    $this->getJson("/api/pieces/$id")->assertJsonPath('zones.0.targets.1.recipe', null);
    expect(App\Models\Piece::query()->count())->toBe(2);
});

it('leaves nothing of a demo piece that is not wanted any more', function (): void {
    $artist = artist();
    expect(fn () => app(DemoPieceWork::class)->do($artist, [], static fn (string $doing) => str_contains($doing, 'recipes') ? throw new WorkCancelled : null))->toThrow(WorkCancelled::class)
        ->and($artist->pieces()->withTrashed()->count())->toBe(0)->and(App\Models\Zone::query()->count())->toBe(0);
});

it('keeps the hand that draws, and only the one that there is', function (): void {
    $user = artist();
    $this->actingAs($user)->getJson('/api/session')->assertJsonPath('user.hand', 'right');
    $this->patchJson('/api/account', ['hand' => 'left'])->assertOk()->assertJsonPath('user.hand', 'left');
    foreach ([['hand' => 'both'], ['hand' => ['left']], ['hand' => null]] as $wrong) {
        $this->patchJson('/api/account', $wrong)->assertUnprocessable()->assertJsonPath('errors.hand.0', 'You draw with the right hand or the left: write "right" or "left".');
    }
    expect($user->refresh()->hand->value)->toBe('left')->and(artist()->hand->value)->toBe('right');
    auth()->forgetGuards();
});

it('asks a stranger to sign in before anything of theirs is changed', function (): void {
    $this->patchJson('/api/account', ['hand' => 'left'])->assertUnauthorized();
});

describe('the studio\'s habits', function (): void {
    beforeEach(function (): void {
        $this->artist = artist();
        $this->artist->update(['password' => 'ten pencils']);
        $this->actingAs($this->artist);
    });

    it('are those of new pieces', function (): void {
        $this->patchJson('/api/account', ['paper' => 'fog-toned', 'lamp' => 'led', 'unit' => 'in', 'sessionMinutes' => 45, 'name' => 'Ines'])
            ->assertOk()->assertJsonPath('user.paper', 'fog-toned')->assertJsonPath('user.sessionMinutes', 45)->assertJsonPath('user.name', 'Ines');
        $id = uploaded($this->post('/api/pieces', ['title' => 'Rope', 'paper' => 'fog-toned', 'photo' => picture()], ['Accept' => 'application/json']))['id'];
        $piece = Piece::query()->findOrFail($id);
        expect([$piece->lamp->value, $piece->unit, $piece->session_minutes])->toBe(['led', 'in', 45]);
        $this->patchJson('/api/account', ['paper' => null])->assertJsonPath('user.paper', null);
    });

    it('are refused in words', function (array $change, string $field, string $why): void {
        User::factory()->create(['email' => 'other@example.org']);
        expect($this->patchJson('/api/account', $change)->assertUnprocessable()->json("errors.$field.0"))->toContain($why);
    })->with([
        [['sessionMinutes' => 5], 'sessionMinutes', '15 to 480 minutes'],
        [['lamp' => 'candle'], 'lamp', 'lamp'],
        [['paper' => 'nobodys'], 'paper', 'paper'],
        [['email' => 'new@example.org'], 'current_password', 'Type your password'],
        [['email' => 'new@example.org', 'current_password' => 'wrong'], 'current_password', 'not your password'],
        [['email' => 'new@example.org', 'current_password' => ['wrong']], 'current_password', 'not your password'],
        [['email' => 'other@example.org', 'current_password' => 'ten pencils'], 'email', 'Another studio'],
        [['password' => 'a new one, long', 'current_password' => 'ten pencils'], 'password', 'two passwords differ'],
    ]);

    it('let nobody guess the password fast, and are clicked through freely', function (): void {
        for ($i = 0; $i < 10; $i++) {
            $this->patchJson('/api/account', ['email' => 'new@example.org', 'current_password' => "guess $i"])->assertUnprocessable();
        }
        $this->patchJson('/api/account', ['email' => 'new@example.org', 'current_password' => 'ten pencils'])->assertTooManyRequests();
        $this->patchJson('/api/account', ['unit' => 'in'])->assertOk();
    });

    it('change the e-mail and the password for who knows the password', function (): void {
        $this->patchJson('/api/account', ['email' => 'new@example.org', 'current_password' => 'ten pencils'])->assertOk()->assertJsonPath('user.email', 'new@example.org');
        DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $this->artist->id, 'payload' => '', 'last_activity' => time()]);
        $this->patchJson('/api/account', ['password' => 'another eleven', 'password_confirmation' => 'another eleven', 'current_password' => 'ten pencils'])->assertOk();
        expect(DB::table('sessions')->where('id', 'elsewhere')->exists())->toBeFalse()
            ->and(Hash::check('another eleven', $this->artist->refresh()->password))->toBeTrue();
    });
});

describe('deleting a studio', function (): void {
    it('leaves no row and no picture of it, and everything of others', function (): void {
        $artist = artist();
        $artist->update(['password' => 'ten pencils']);
        $other = artist();
        $stays = pieceOf($other);
        $this->actingAs($artist);
        $piece = pieceOf($artist);
        $folder = app(PhotoStore::class)->folderOf($piece->reference());
        $paper = $this->postJson('/api/papers', ['name' => 'Own', 'kind' => 'film', 'colour' => 'white'])->json('id');
        $this->patchJson("/api/pieces/{$piece->id}", ['paper' => $paper])->assertOk();
        $this->patchJson('/api/account', ['paper' => $paper])->assertOk();
        $this->postJson('/api/charts', ['paper' => $paper, 'kind' => 'singles', 'page' => 'a4'])->assertCreated();
        $this->postJson('/api/swatches', ['paper' => $paper, 'stack' => 'QW:6858@60', 'colour' => '#5566aa'])->assertCreated();
        $this->postJson('/api/pencils/import', ['text' => '101-104', 'range' => 'HB', 'binder' => 'wax', 'intoBox' => true])->assertOk();
        $this->deleteJson('/api/account', ['current_password' => 'wrong'])->assertUnprocessable();
        $this->deleteJson('/api/account', ['current_password' => ['ten pencils']])->assertUnprocessable();
        expect(is_dir($folder))->toBeTrue();
        $this->deleteJson('/api/account', ['current_password' => 'ten pencils'])->assertOk()->assertJsonPath('user', null);
        expect(User::query()->whereKey($artist->id)->exists())->toBeFalse()->and(is_dir($folder))->toBeFalse();
        foreach (['pieces', 'swatches', 'charts', 'ranges', 'papers', 'box_pencils', 'works', 'calibrations'] as $table) {
            expect(DB::table($table)->where('user_id', $artist->id)->exists())->toBeFalse();
        }
        expect($stays->fresh())->not->toBeNull()->and(is_dir(app(PhotoStore::class)->folderOf($stays->reference())))->toBeTrue();
    });

    it('is not for the demo studio or a copy of it', function (): void {
        $copy = User::factory()->create(['email' => 'demo-abc@studio.invalid', 'password' => 'ten pencils']);
        $this->actingAs($copy);
        expect($this->deleteJson('/api/account', ['current_password' => 'ten pencils'])->assertUnprocessable()->json('message'))->toContain('goes by itself')
            ->and($this->patchJson('/api/account', ['email' => 'a@example.org', 'current_password' => 'ten pencils'])->assertUnprocessable()->json('errors.current_password.0'))->toContain('no password');
    });
});
