<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Piece;
use App\Models\SentKey;
use App\Models\Token;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Log;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

/** @param  list<string>  $abilities */
function tokenOf(User $artist, array $abilities = ['read', 'pieces', 'box'], int $days = 30): string
{
    return $artist->createToken('a script', $abilities, now()->addDays($days))->plainTextToken;
}

/** As a script asks: by its token, with no session. */
function script(string $token, string $method, string $address, array $body = [], array $headers = [])
{
    app('auth')->forgetGuards();
    $response = test()->json($method, "/api/v1/$address", $body, ['Authorization' => "Bearer $token", ...$headers]);
    // What comes after it is another process, on a server.
    app('auth')->forgetGuards();
    app('auth')->shouldUse('web');

    return $response;
}

it('makes a token for the password, tells it once, and shows what there are', function (): void {
    $artist = artist();
    $make = fn (array $with) => $this->actingAs($artist)->postJson('/api/account/tokens', [...['name' => 'Evening lists', 'abilities' => ['read'], 'days' => 90, 'current_password' => 'pencil-and-paper'], ...$with]);
    $make(['current_password' => 'wrong pencils'])->assertUnprocessable()->assertJsonValidationErrorFor('current_password');
    $make(['abilities' => ['everything']])->assertUnprocessable()->assertJsonPath('message', 'Say what it may do: read, pieces, box.');
    $make(['days' => 4000])->assertUnprocessable()->assertJsonPath('message', 'A token lasts a day to a year: 1 to 366 days.');
    $written = $make([])->assertCreated()->assertJsonPath('token.name', 'Evening lists')->assertJsonPath('token.lastUsedAt', null)->json('written');
    expect($written)->toContain('prism_')->and((string) DB::table('personal_access_tokens')->value('token'))->not->toContain(substr($written, -20));
    script($written, 'GET', 'pieces')->assertOk();
    $this->actingAs($artist)->getJson('/api/account/tokens')->assertOk()->assertJsonCount(1)->assertJsonPath('0.abilities', ['read'])->assertJsonPath('0.lastUsedAt', fn (?string $at): bool => $at !== null);
});

it('lets nobody in by a token that is none, was ended, is over, or belongs to a studio that is gone', function (): void {
    $artist = artist();
    $refused = static fn (string $token) => script($token, 'GET', 'pieces')->assertUnauthorized()->assertHeader('WWW-Authenticate', 'Bearer')->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Studio'));
    $refused('prism_nothing');
    $refused('');
    $token = tokenOf($artist);
    script($token, 'GET', 'pieces')->assertOk();
    $this->travel(31)->days();
    $refused($token);
    $another = tokenOf($artist);
    $this->actingAs($artist)->deleteJson('/api/account/tokens/'.Token::query()->latest('id')->value('id'))->assertNoContent();
    $refused($another);
    $last = tokenOf($artist);
    $this->actingAs($artist)->deleteJson('/api/account', ['current_password' => 'pencil-and-paper'])->assertOk();
    $refused($last);
    expect(Token::query()->count())->toBe(0);
});

it('is no way in for the page, nor is the page\'s session one for scripts', function (): void {
    $artist = artist();
    $this->getJson('/api/pieces', ['Authorization' => 'Bearer '.tokenOf($artist)])->assertUnauthorized();
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => 'pencil-and-paper'])->assertOk();
    $this->getJson('/api/pieces')->assertOk();
    $this->getJson('/api/v1/pieces')->assertUnauthorized();
    expect(app('router')->has('sanctum.csrf-cookie'))->toBeFalse();
});

it('lets a script do what its token is for and nothing else', function (array $abilities, array $may): void {
    $artist = artist();
    $piece = pieceOf($artist);
    $token = tokenOf($artist, $abilities);
    $asked = [
        'read' => script($token, 'GET', "pieces/$piece->id")->status(),
        'computed' => script($token, 'POST', "pieces/$piece->id/samples", ['x' => 0.5, 'y' => 0.5, 'radius' => 0.02])->status(),
        'pieces' => script($token, 'PATCH', "pieces/$piece->id", ['title' => 'By a script', 'version' => $piece->version])->status(),
        'box' => script($token, 'PUT', 'schools', ['chosen' => []])->status(),
        'planning' => script($token, 'POST', 'works', ['kind' => 'planning'])->status(),
        'an archive' => script($token, 'POST', 'works', ['kind' => 'restore'])->status(),
    ];
    expect(array_keys(array_filter($asked, static fn (int $status): bool => $status !== 403)))->toBe($may)
        ->and(array_filter($asked, static fn (int $status): bool => ! in_array($status, [200, 403, 422], true)))->toBe([]);
})->with([
    'to read' => [['read'], ['read', 'computed']],
    'pieces' => [['pieces'], ['pieces', 'planning']],
    'box' => [['box'], ['box', 'an archive']],
    'all' => [['read', 'pieces', 'box'], ['read', 'computed', 'pieces', 'box', 'planning', 'an archive']],
]);

it('says which ability is wanting, and writes down that it was', function (): void {
    Log::shouldReceive('channel')->with('security')->once()->andReturnSelf();
    Log::shouldReceive('info')->once()->withArgs(static fn (string $what, array $whom): bool => $what === 'a token was not let pieces' && is_int($whom['artist']));
    script(tokenOf(artist(), ['read']), 'DELETE', 'pieces/'.pieceOf(artist())->id)->assertForbidden()->assertJsonPath('message', 'This token may not do that: it needs "pieces".');
});

it('never reaches who one is, passwords and tokens', function (string $method, string $address): void {
    $token = tokenOf(artist());
    script($token, $method, $address)->assertNotFound();
    expect(Token::query()->count())->toBe(1);
})->with([['GET', 'session'], ['PATCH', 'account'], ['DELETE', 'account'], ['GET', 'account/tokens'], ['POST', 'account/tokens'], ['DELETE', 'account/sessions']]);

it('sees nothing of another studio', function (): void {
    $piece = pieceOf(artist());
    $token = tokenOf(artist());
    script($token, 'GET', "pieces/$piece->id")->assertNotFound();
    script($token, 'DELETE', "pieces/$piece->id")->assertNotFound();
    expect(script($token, 'GET', 'pieces')->assertOk()->json())->toBe([])->and(Piece::query()->count())->toBe(1);
});

it('tells a script addresses that its token opens', function (): void {
    $artist = artist();
    $piece = pieceOf($artist);
    $token = tokenOf($artist);
    $url = script($token, 'GET', "pieces/$piece->id")->assertOk()->json('photo.url');
    expect($url)->toStartWith('/api/v1/references/');
    script($token, 'GET', substr($url, strlen('/api/v1/')))->assertOk();
    expect($this->actingAs($artist)->getJson("/api/pieces/$piece->id")->json('photo.url'))->toStartWith('/api/references/');
});

it('does once what is sent twice under one key, and tells the same again', function (): void {
    $artist = artist();
    $token = tokenOf($artist);
    $send = static fn (string $key, string $name) => script($token, 'POST', 'papers', ['name' => $name, 'kind' => 'cartridge', 'colour' => '#f4f2ea'], ['Idempotency-Key' => $key]);
    $first = $send('one', 'Quay board')->assertCreated()->assertHeaderMissing('Idempotency-Replayed');
    $again = $send('one', 'Quay board')->assertCreated()->assertHeader('Idempotency-Replayed', 'true');
    expect($again->json())->toBe($first->json())->and($artist->papers()->count())->toBe(1);
    $send('one', 'Another board')->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Something else'));
    $send("a key\nof two lines", 'Quay board')->assertUnprocessable();
    $this->travel(25)->hours();
    $send('one', 'Another board')->assertCreated();
    expect($artist->papers()->count())->toBe(2);
});

it('lets what was refused be sent again under its key', function (): void {
    $artist = artist();
    $token = tokenOf($artist);
    $send = static fn (string $name) => script($token, 'POST', 'papers', ['name' => $name, 'kind' => 'cartridge', 'colour' => '#f4f2ea'], ['Idempotency-Key' => 'again']);
    $send('')->assertUnprocessable();
    $send('Quay board')->assertCreated();
});

it('does nothing a second time of which nobody knows whether it was done', function (): void {
    $artist = artist();
    $token = tokenOf($artist);
    $send = static fn () => script($token, 'POST', 'papers', ['name' => 'Quay board', 'kind' => 'cartridge', 'colour' => '#f4f2ea'], ['Idempotency-Key' => 'cut-off']);
    $send()->assertCreated();
    // As it is while a process is at it, or was killed in the middle.
    SentKey::query()->update(['status' => null, 'body' => null]);
    $send()->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'still being done'));
    $this->travel(6)->minutes();
    $send()->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'not known'));
    expect($artist->papers()->count())->toBe(1);
});

it('does nothing a second time where the studio failed on the way', function (): void {
    $artist = artist();
    $token = tokenOf($artist);
    $fails = true;
    Event::listen('eloquent.created: '.Paper::class, static function () use (&$fails): void {
        if ($fails) {
            throw new RuntimeException('The answer could not be told.');
        }
    });
    $send = static fn () => script($token, 'POST', 'papers', ['name' => 'Quay board', 'kind' => 'cartridge', 'colour' => '#f4f2ea'], ['Idempotency-Key' => 'half-way']);
    $send()->assertServerError();
    $written = $artist->papers()->count();
    $fails = false;
    $send()->assertConflict()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'not known'));
    expect($artist->papers()->count())->toBe($written);
});

it('tells pieces in pages, each once, whatever changes the order meanwhile', function (): void {
    $artist = artist();
    $pieces = [];
    foreach (range(1, 5) as $n) {
        $this->travel(1)->minutes();
        $pieces[] = pieceOf($artist)->id;
    }
    $token = tokenOf($artist);
    $seen = [];
    $address = 'pieces?limit=2';
    do {
        $page = script($token, 'GET', $address)->assertOk();
        array_push($seen, ...array_column($page->json(), 'id'));
        $goesOn = preg_match('~^<.*?/api/v1/([^>]+)>; rel="next"$~', (string) $page->headers->get('Link'), $next) === 1;
        $address = $next[1] ?? '';
    } while ($goesOn);
    expect($seen)->toBe(array_reverse($pieces));
    script($token, 'GET', 'pieces?limit=0')->assertUnprocessable();
    script($token, 'GET', 'pieces?limit=2&cursor=nonsense')->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Link'));
    script($token, 'GET', 'pieces?limit=2&cursor='.base64_encode('{"updated_at":[1],"_pointsToNextItems":true}'))->assertUnprocessable();
    expect(script($token, 'GET', 'pieces')->json())->toHaveCount(5);
});

it('asks for no more than is allowed, and says how much that is', function (): void {
    $artist = artist();
    $token = tokenOf($artist);
    script($token, 'GET', 'papers')->assertOk()->assertHeader('X-RateLimit-Limit', '300')->assertHeader('X-RateLimit-Remaining', '299');
});

it('documents what scripts may ask, and nothing of the page\'s own', function (): void {
    $document = $this->getJson('/api/v1/openapi.json')->assertOk()->json();
    expect($document['paths'])->toHaveKey('/api/v1/pieces/{piece}/plan')
        ->and(preg_grep('~^/api/v1/(account|session|shared)|^/api/(?!v1/)~', array_keys($document['paths'])))->toBe([])
        ->and($document['security'])->toBe([['token' => []]])
        ->and(array_column($document['paths']['/api/v1/pieces']['post']['parameters'], 'name'))->toBe(['Idempotency-Key']);
    $known = array_map(static fn ($route): string => '/'.$route->uri(), array_filter(iterator_to_array(app('router')->getRoutes()), static fn ($route): bool => str_starts_with($route->uri(), 'api/v1/')));
    expect(array_diff(array_keys($document['paths']), array_map(static fn (string $uri): string => preg_replace('/\{(\w+):\w+\}/', '{$1}', $uri), $known)))->toBe([]);
});

it('has no tokens in the demo, which has no password', function (): void {
    $copy = artist();
    config(['prism.demo_email' => $copy->email]);
    $this->actingAs($copy)->postJson('/api/account/tokens', ['name' => 'x', 'abilities' => ['read'], 'days' => 1, 'current_password' => 'pencil-and-paper'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'demo'));
});
