<?php

declare(strict_types=1);

use App\Mail\AddressChanged;
use App\Mail\ConfirmAddress;
use App\Models\User;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Mail;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

const OPENED = ['name' => 'Wren Harker', 'email' => 'wren@example.org', 'password' => 'tar and three oars', 'password_confirmation' => 'tar and three oars'];

beforeEach(function (): void {
    config(['prism.confirm_addresses' => true, 'app.url' => 'https://studio.example']);
    Mail::fake();
});

/** The path of the link that was sent last. */
function linkSent(): string
{
    $path = '';
    Mail::assertSent(ConfirmAddress::class, static function (ConfirmAddress $mail) use (&$path): bool {
        preg_match('~https://studio\.example(/confirm/\S+)~', $mail->render(), $found);
        $path = $found[1] ?? $path;

        return true;
    });

    return $path;
}

it('asks whether an address is its artist\'s, and shares nothing before', function (): void {
    $this->postJson('/api/account', OPENED)->assertOk()->assertJsonPath('user.confirmEmail', true);
    $artist = User::query()->where('email', 'wren@example.org')->firstOrFail();
    $piece = pieceOf($artist);
    $share = fn () => $this->postJson("/api/pieces/$piece->id/shares", ['kind' => 'plan', 'days' => 7]);
    $token = fn () => $this->postJson('/api/account/tokens', ['name' => 'Lists', 'abilities' => ['read'], 'days' => 7, 'current_password' => OPENED['password']]);
    $share()->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Confirm your e-mail first'));
    $token()->assertUnprocessable();

    $this->get(linkSent())->assertRedirect('/studio#you');
    app('auth')->forgetGuards();
    $this->getJson('/api/session')->assertJsonPath('user.confirmEmail', false);
    $share()->assertCreated();
    $token()->assertCreated();
});

it('takes no link that is too old, was written by somebody, or is of another address', function (): void {
    $this->postJson('/api/account', OPENED)->assertOk();
    $link = linkSent();
    $this->get(preg_replace('~/confirm/\d+/~', '/confirm/'.artist()->id.'/', $link))->assertForbidden();
    $this->get(strtok($link, '?'))->assertForbidden();
    $this->travel(4)->days();
    $this->get($link)->assertForbidden();
    $this->travelBack();
    User::query()->where('email', 'wren@example.org')->update(['email' => 'another@example.org']);
    $this->get($link)->assertForbidden();
    expect(User::query()->whereNotNull('email_confirmed_at')->exists())->toBeFalse();
});

it('asks anew for another address, and tells the one before', function (): void {
    $artist = artist();
    $before = $artist->email;
    $artist->forceFill(['email_confirmed_at' => now()])->save();
    $this->actingAs($artist)->patchJson('/api/account', ['email' => 'new@example.org', 'current_password' => 'pencil-and-paper'])->assertOk()->assertJsonPath('user.confirmEmail', true);
    Mail::assertSent(AddressChanged::class, static fn (AddressChanged $mail): bool => $mail->hasTo($before));
    Mail::assertSent(ConfirmAddress::class, static fn (ConfirmAddress $mail): bool => $mail->hasTo('new@example.org'));
    $this->postJson('/api/account/confirmation')->assertNoContent();
    Mail::assertSent(ConfirmAddress::class, 2);
});

it('opens a studio though the post office is away', function (): void {
    Mail::swap(new class
    {
        public function to(string $address): never
        {
            throw new RuntimeException('No post today.');
        }
    });
    $this->postJson('/api/account', OPENED)->assertOk()->assertJsonPath('user.name', 'Wren Harker');
});

it('asks nothing on a desk of one\'s own', function (): void {
    config(['prism.confirm_addresses' => false]);
    $this->postJson('/api/account', OPENED)->assertOk()->assertJsonPath('user.confirmEmail', false);
    Mail::assertNothingSent();
});

it('takes no password that is tried first', function (string $password, string $said): void {
    $this->postJson('/api/account', ['password' => $password, 'password_confirmation' => $password] + OPENED)->assertUnprocessable()->assertJsonPath('errors.password.0', fn (string $told): bool => str_contains($told, $said));
})->with([
    ['qwertyuiop', 'tried first'], ['Password123', 'tried first'], ['aaaaaaaaaaaa', 'tried first'], ['1234567890', 'tried first'], ['wren harker 7', 'name or e-mail'], ['xx-wren@-xx1', 'name or e-mail'],
]);

it('takes long ones of words that nobody has', function (): void {
    $this->postJson('/api/account', OPENED)->assertOk();
});

it('does not let a new password hold the name of who has it', function (): void {
    $artist = User::factory()->create(['name' => 'Wren Harker', 'password' => 'pencil-and-paper']);
    $this->actingAs($artist)->patchJson('/api/account', ['password' => 'wren harker 77', 'password_confirmation' => 'wren harker 77', 'current_password' => 'pencil-and-paper'])->assertUnprocessable()->assertJsonValidationErrorFor('password');
});

it('ends a session after thirty days, however busy', function (): void {
    $artist = artist();
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => 'pencil-and-paper'])->assertOk();
    foreach ([10, 10, 9] as $days) {
        $this->travel($days)->days();
        app('auth')->forgetGuards();
        $this->getJson('/api/session')->assertJsonPath('user.email', $artist->email);
    }
    $this->travel(25)->hours();
    app('auth')->forgetGuards();
    $this->getJson('/api/session')->assertJsonPath('user', null);
    $this->getJson('/api/pieces')->assertUnauthorized();
});

it('begins another session by the cookie of who stays signed in, once that of the day is over', function (): void {
    $artist = artist();
    $signedIn = $this->postJson('/api/session', ['email' => $artist->email, 'password' => 'pencil-and-paper', 'remember' => true])->assertOk();
    $name = Auth::guard('web')->getRecallerName();
    $cookie = (string) $signedIn->getCookie($name)?->getValue();
    $ask = function () use ($name, $cookie) {
        app('auth')->forgetGuards();

        return $this->withCredentials()->withCookie($name, $cookie)->getJson('/api/session');
    };
    $this->flushSession();
    $ask()->assertJsonPath('user.email', $artist->email);
    $this->travel(25)->hours();
    $ask()->assertJsonPath('user.email', $artist->email);
    expect(session('signed_in_at'))->toBeGreaterThan(now()->subDays(29)->subHour()->getTimestamp());
});
