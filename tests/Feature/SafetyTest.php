<?php

declare(strict_types=1);

use App\Mail\PasswordReset;
use App\Models\Piece;
use Illuminate\Database\QueryException;
use Illuminate\Http\Middleware\TrustHosts;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Route;
use Predis\Connection\ConnectionException;
use Predis\Connection\NodeConnectionInterface;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

// What a stranger could make the studio say, and what it says when it cannot work.

it('mails links to its own address, whatever host a request names', function (): void {
    Mail::fake();
    config(['app.url' => 'https://studio.example']);
    $user = artist();
    $this->postJson('http://evil.example/api/account/forgot', ['email' => $user->email])->assertNoContent();
    Mail::assertSent(PasswordReset::class, static fn (PasswordReset $mail): bool => str_contains($mail->render(), 'https://studio.example/reset-password?token=') && ! str_contains($mail->render(), 'evil'));
});

it('answers to its own address only', function (): void {
    config(['app.url' => 'https://studio.example:8443']);
    expect(app(TrustHosts::class)->hosts())->toBe(['^studio\.example$']);
});

it('believes no proxy that is not named', function (): void {
    Route::get('/api/who', static fn () => ['ip' => request()->ip(), 'host' => request()->host()]);
    $this->getJson('/api/who', ['X-Forwarded-For' => '203.0.113.9', 'X-Forwarded-Host' => 'evil.example'])->assertExactJson(['ip' => '127.0.0.1', 'host' => '127.0.0.1']);
});

it('takes passwords of up to 72 bytes at both ends', function (string $password, bool $taken): void {
    $wrong = ['email' => 'ines@example.org', 'name' => 'Ines', 'password' => $password, 'password_confirmation' => $password];
    $said = 'A password has at most 72 letters, fewer if they carry accents.';
    $this->postJson('/api/account', $wrong)->assertStatus($taken ? 200 : 422);
    $this->deleteJson('/api/session');
    $response = $this->postJson('/api/session', $wrong)->assertStatus($taken ? 200 : 422);
    expect($response->json('errors.password.0'))->toBe($taken ? null : $said);
})->with(['72 letters' => [str_repeat('tars', 18), true], '73 letters' => [str_repeat('tars', 18).'t', false], '37 letters of two bytes' => [str_repeat('éàö', 12).'é', false]]);

it('says of what is another\'s just what it says of what is not there, whatever else is wrong', function (string $method, string $path): void {
    $other = pieceOf(artist());
    $zone = $other->zones()->create(['name' => 'Zone', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.1, 'position' => 1, 'share' => 0.1]);
    $target = $zone->targets()->create(['role' => 'middle', 'L' => 50, 'a' => 0, 'b' => 0, 'spread' => 1, 'share' => 1, 'x' => 0.5, 'y' => 0.5, 'radius' => 0.1]);
    $swatch = $other->user->swatches()->create(['paper_id' => $other->paper_id, 'stack' => 'QW:6858@40', 'L' => 50, 'a' => 0, 'b' => 0, 'source' => 'typed']);
    $ids = ['{piece}' => $other->id, '{zone}' => $zone->id, '{target}' => $target->id, '{reference}' => $other->reference()->id, '{swatch}' => (string) $swatch->id];
    $this->actingAs(artist());
    $foreign = $this->json($method, strtr($path, $ids), ['version' => 'no number']);
    $none = $this->json($method, strtr($path, array_map(static fn (string $id): string => is_numeric($id) ? '987654' : strrev($id), $ids)), ['version' => 'no number']);
    $foreign->assertNotFound();
    $none->assertNotFound();
    expect($foreign->json())->toBe($none->json());
})->with([
    ['PATCH', '/api/pieces/{piece}'], ['POST', '/api/pieces/{piece}/recipes'], ['PATCH', '/api/zones/{zone}'], ['PATCH', '/api/targets/{target}'],
    ['PATCH', '/api/references/{reference}'], ['POST', '/api/references/{reference}/photo'], ['PATCH', '/api/swatches/{swatch}'], ['POST', '/api/pieces/{piece}/advice'],
]);

it('writes down who asked for what is another\'s', function (): void {
    $file = storage_path('testing/security-refused.log');
    @unlink($file);
    config(['logging.channels.security.path' => $file]);
    Log::forgetChannel('security');
    $piece = pieceOf(artist());
    $this->actingAs($piece->user)->getJson("/api/pieces/$piece->id")->assertOk();
    expect(is_file($file))->toBeFalse();
    $this->actingAs($stranger = artist())->getJson("/api/pieces/$piece->id")->assertNotFound();
    expect((string) file_get_contents($file))->toContain("INFO: asked for another's piece $piece->id, or for what was removed {\"artist\":$stranger->id");
    // Of what is nobody's there is nothing to write down; what a policy refuses is.
    $this->getJson('/api/pieces/01jzzzzzzzzzzzzzzzzzzzzzzz')->assertNotFound();
    Gate::forUser($stranger)->allows('update', $piece);
    expect(substr_count((string) file_get_contents($file), 'INFO: '))->toBe(2)->and((string) file_get_contents($file))->toContain("INFO: was not let update Piece $piece->id");
    unlink($file);
});

it('has nothing of a piece that was removed, and all of it when it is taken back', function (): void {
    $piece = pieceOf($user = artist());
    $zone = $piece->zones()->create(['name' => 'Zone', 'x' => 0.5, 'y' => 0.5, 'radius' => 0.1, 'position' => 1, 'share' => 0.1]);
    $target = $zone->targets()->create(['role' => 'middle', 'L' => 50, 'a' => 0, 'b' => 0, 'spread' => 1, 'share' => 1, 'x' => 0.5, 'y' => 0.5, 'radius' => 0.1]);
    $this->actingAs($user)->deleteJson("/api/pieces/$piece->id")->assertNoContent();
    $this->patchJson("/api/targets/$target->id", ['version' => 1, 'stack' => ''])->assertNotFound();
    $this->patchJson("/api/zones/$zone->id", ['version' => 1, 'name' => 'Sky'])->assertNotFound();
    $this->deleteJson("/api/targets/$target->id")->assertNotFound();
    $this->postJson("/api/targets/$target->id/restore")->assertNotFound();
    $this->postJson("/api/pieces/$piece->id/restore")->assertNoContent();
    expect(Piece::query()->whereKey($piece->id)->exists())->toBeTrue();
    $this->patchJson("/api/zones/$zone->id", ['version' => 1, 'name' => 'Sky'])->assertOk();
});

it('is away for a while when the database is, and says when to try again', function (): void {
    Route::get('/api/lost', static fn () => throw new QueryException('mariadb', 'select 1', [], new PDOException('SQLSTATE[HY000] [2002] Connection refused')));
    Route::get('/api/wrong', static fn () => throw new QueryException('mariadb', 'select 2', [], new PDOException('SQLSTATE[42S02]: Base table or view not found')));
    $this->getJson('/api/lost')->assertServiceUnavailable()->assertHeader('Retry-After', '10')->assertJsonPath('message', static fn (string $said): bool => str_contains($said, 'Nothing that was saved is lost'));
    $this->getJson('/api/wrong')->assertInternalServerError();
});

it('tells whoever watches over it whether it can work', function (): void {
    $this->get('/up')->assertOk()->assertExactJson(['database' => true, 'storage' => true]);
    config(['prism.storage' => '/nowhere']);
    $this->get('/up')->assertServiceUnavailable()->assertExactJson(['database' => true, 'storage' => false]);
});

it('lets the database\'s root in by the socket only', function (): void {
    expect(static fn () => new PDO(sprintf('mysql:host=127.0.0.1;port=%s', config('database.connections.mariadb.port')), 'root', ''))->toThrow(PDOException::class, 'Access denied');
});

it('writes no cell that a spreadsheet would reckon with', function (): void {
    $user = artist();
    $user->swatches()->create(['paper_id' => pieceOf($user)->paper_id, 'stack' => 'QW:6858@40', 'L' => 50, 'a' => 0, 'b' => -3, 'source' => 'typed', 'note' => '=HYPERLINK("http://evil.example")']);
    $csv = $this->actingAs($user)->get('/api/swatches.csv')->assertOk()->getContent();
    expect($csv)->toContain("\"'=HYPERLINK(")->not->toContain(',"=HYPERLINK')->toContain(',-3');
});

it('refuses a pencil whose name is too long for the box, row by row', function (): void {
    $table = static fn (int $letters): string => "range,number,name,binder\nHS,1,".str_repeat('é', $letters).',wax';
    $this->actingAs(artist());
    foreach (['preview', 'import'] as $way) {
        $this->postJson("/api/pencils/$way", ['text' => $table(120)])->assertOk();
        $this->postJson("/api/pencils/$way", ['text' => $table(121)])->assertUnprocessable()->assertJsonPath('rows.0.column', 'name')->assertJsonPath('rows.0.right', 'Write a name of at most 120 letters.');
    }
});

it('says nothing of its insides where there is nothing', function (): void {
    $user = artist();
    $this->actingAs($user)->getJson('/api/references/'.pieceOf($user)->reference()->id.'/photos/secret')->assertNotFound()->assertExactJson(['message' => 'There is nothing at this address.']);
    $this->putJson('/api/pieces')->assertNotFound()->assertExactJson(['message' => 'There is nothing at this address.']);
});

it('packs what is large, and sends none that is there already', function (): void {
    $this->actingAs(artist());
    $plain = $this->getJson('/api/pencils')->assertOk();
    $packed = $this->getJson('/api/pencils', ['Accept-Encoding' => 'gzip, br'])->assertOk()->assertHeader('Content-Encoding', 'gzip')->assertHeader('Vary', 'Accept-Encoding');
    expect(gzdecode($packed->getContent()))->toBe($plain->getContent())->and(strlen($packed->getContent()))->toBeLessThan(strlen($plain->getContent()) / 4);
    $this->getJson('/api/pencils', ['If-None-Match' => $plain->headers->get('ETag')])->assertStatus(304);
    expect($this->getJson('/api/session', ['Accept-Encoding' => 'gzip'])->headers->get('Content-Encoding'))->toBeNull();
});

it('computes as much as one artist asks for who works fast, and not more', function (): void {
    $user = artist();
    $url = '/api/pieces/'.pieceOf($user)->id.'/gradient';
    $this->actingAs($user);
    foreach (range(1, 120) as $_) {
        $this->postJson($url, []);
    }
    $this->postJson($url, [])->assertTooManyRequests()->assertHeader('Retry-After');
    $this->getJson('/api/pieces')->assertOk();
});

it('says that the studio is away, and when to come again, while Redis is not there', function (): void {
    Route::get('api/away', static fn () => throw new ConnectionException(Mockery::mock(NodeConnectionInterface::class), 'Stream is already at the end'));
    $this->getJson('/api/away')->assertStatus(503)->assertHeader('Retry-After', '10')->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Nothing that was saved is lost'));
});
