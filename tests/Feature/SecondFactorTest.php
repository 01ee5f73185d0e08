<?php

declare(strict_types=1);

use App\Http\QuietSessions;
use App\Models\User;
use App\Studio\Account\Totp;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

use function Tests\Feature\artist;

const PASSWORD = 'pencil-and-paper';

/** The code that an authenticator with this key shows now. */
function shown(string $key, int $later = 0): string
{
    $bits = implode('', array_map(static fn (string $sign): string => sprintf('%05b', strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $sign)), str_split($key)));

    return Totp::code(implode('', array_map(static fn (string $byte): string => chr((int) bindec($byte)), str_split($bits, 8))), Totp::stepAt(now()->getTimestamp()) + $later);
}

/** @return array{string, list<string>} its key, and its recovery codes */
function withFactor(User $artist): array
{
    $key = test()->actingAs($artist)->postJson('/api/account/second-factor', ['current_password' => PASSWORD])->assertOk()->json('key');
    $codes = test()->putJson('/api/account/second-factor', ['code' => shown($key)])->assertOk()->json('codes');
    test()->travel(60)->seconds();
    test()->deleteJson('/api/session');

    return [$key, $codes];
}

it('makes the codes of RFC 6238, appendix B', function (string $hash, int $length, array $codes): void {
    $key = substr(str_repeat('1234567890', 7), 0, $length);
    foreach ($codes as $time => $code) {
        expect(Totp::code($key, Totp::stepAt($time), 8, $hash))->toBe($code);
    }
})->with([
    ['sha1', 20, [59 => '94287082', 1111111109 => '07081804', 1111111111 => '14050471', 1234567890 => '89005924', 2000000000 => '69279037', 20000000000 => '65353130']],
    ['sha256', 32, [59 => '46119246', 1111111109 => '68084774', 1111111111 => '67062674', 1234567890 => '91819424', 2000000000 => '90698825', 20000000000 => '77737706']],
    ['sha512', 64, [59 => '90693936', 1111111109 => '25091201', 1111111111 => '99943326', 1234567890 => '93441116', 2000000000 => '38618901', 20000000000 => '47863826']],
]);

it('asks for a code beside the password from the moment one was written, and not before', function (): void {
    $artist = artist();
    $signIn = fn (?string $code = null) => $this->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD, ...$code === null ? [] : ['code' => $code]]);
    $begun = $this->actingAs($artist)->postJson('/api/account/second-factor', ['current_password' => PASSWORD])->assertOk();
    expect($begun->json('picture'))->toContain('<svg')->and($begun->json('uri'))->toContain('secret='.$begun->json('key'));
    $this->deleteJson('/api/session');
    $signIn()->assertOk()->assertJsonPath('user.secondFactor', false);

    [$key] = withFactor($artist);
    $signIn()->assertUnprocessable()->assertJsonPath('errors.code.0', fn (string $said): bool => str_contains($said, 'six figures'));
    $this->getJson('/api/session')->assertJsonPath('user', null);
    $signIn('000000')->assertUnprocessable()->assertJsonValidationErrorFor('code');
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => 'wrong pencils', 'code' => shown($key)])->assertUnprocessable()->assertJsonValidationErrorFor('email')->assertJsonMissingPath('errors.code');
    $this->travel(5)->minutes();
    $signIn(substr_replace(shown($key), ' ', 3, 0))->assertOk()->assertJsonPath('user.secondFactor', true)->assertJsonPath('user.codesLeft', 10);
});

it('takes no code twice, none that is older than its neighbours, and each recovery code once', function (): void {
    $artist = artist();
    [$key, $codes] = withFactor($artist);
    $signIn = function (string $code) use ($artist): int {
        $status = $this->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD, 'code' => $code])->status();
        $this->deleteJson('/api/session');
        // Who signs in so often is slowed down; not what is asked here.
        $this->travel(2)->minutes();

        return $status;
    };
    $code = shown($key);
    expect($codes)->toHaveCount(10)->and($signIn($code))->toBe(200)->and($signIn($code))->toBe(422)
        ->and($signIn(shown($key, -3)))->toBe(422)->and($signIn(shown($key, 1)))->toBe(200)->and($signIn(shown($key, 3)))->toBe(422)
        ->and($signIn(strtoupper($codes[4])))->toBe(200)->and($signIn($codes[4]))->toBe(422)->and($signIn($codes[0]))->toBe(200);
    expect($artist->refresh()->second_factor['codes'])->toHaveCount(8)
        ->and((string) DB::table('users')->where('id', $artist->id)->value('second_factor'))->not->toContain($artist->second_factor['key']);
});

it('is turned off, and its codes exchanged, by who knows the password', function (): void {
    $artist = artist();
    [$key, $codes] = withFactor($artist);
    $this->actingAs($artist)->postJson('/api/account/second-factor', ['current_password' => PASSWORD])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'on already'));
    foreach ([['post', '/api/account/second-factor/codes'], ['delete', '/api/account/second-factor'], ['post', '/api/account/second-factor']] as [$method, $url]) {
        $this->json($method, $url, ['current_password' => 'wrong pencils'])->assertUnprocessable()->assertJsonPath('errors.current_password.0', 'That is not your password.');
    }
    $new = $this->postJson('/api/account/second-factor/codes', ['current_password' => PASSWORD])->assertOk()->json('codes');
    expect(array_intersect($codes, $new))->toBe([])->and($new)->toHaveCount(10);
    $this->deleteJson('/api/account/second-factor', ['current_password' => PASSWORD])->assertOk()->assertJsonPath('user.secondFactor', false)->assertJsonPath('user.codesLeft', 0);
    $this->postJson('/api/account/second-factor/codes', ['current_password' => PASSWORD])->assertUnprocessable();
    $this->deleteJson('/api/session');
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD])->assertOk();
});

it('refuses a code where nothing was begun, and slows down who guesses', function (): void {
    $artist = artist();
    $this->actingAs($artist)->putJson('/api/account/second-factor', ['code' => '123456'])->assertUnprocessable()->assertJsonValidationErrorFor('code');
    $this->putJson('/api/account/second-factor', ['code' => ['1']])->assertUnprocessable()->assertJsonPath('errors.code.0', 'Write the six figures that the authenticator shows.');
    withFactor($artist);
    // From many addresses, so that no limit of one of them counts.
    $tries = array_map(fn (int $n): int => $this->withServerVariables(['REMOTE_ADDR' => "10.0.0.$n"])->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD, 'code' => '000000'])->status(), range(1, 41));
    expect(array_slice($tries, 0, 39))->each->toBe(422)->and(end($tries))->toBe(429);
});

it('tells where one is signed in, and signs out everywhere but here', function (): void {
    config(['session.driver' => 'database']);
    [$artist, $other] = [artist(), artist()];
    $row = static fn (User $of, string $id, string $agent, int $ago): array => ['id' => $id, 'user_id' => $of->id, 'ip_address' => '192.0.2.7', 'user_agent' => $agent, 'payload' => '', 'last_activity' => time() - $ago];
    DB::table('sessions')->insert([
        $row($artist, 'tablet', 'Mozilla/5.0 (Linux; Android 14) Gecko/130 Firefox/130.0', 60), $row($artist, 'old', 'x', 864_000), $row($other, 'others', 'x', 60),
    ]);
    $here = $this->actingAs($artist)->getJson('/api/account/sessions')->assertOk();
    expect(array_column($here->json(), 'browser'))->toBe(['Firefox on Android'])->and($here->json('0.here'))->toBeFalse()->and($here->json('0.address'))->toBe('192.0.2.7');
    $remembered = $artist->remember_token;
    $this->deleteJson('/api/account/sessions')->assertNoContent();
    expect(DB::table('sessions')->pluck('id')->all())->toContain('others')->not->toContain('tablet')->and($artist->refresh()->remember_token)->not->toBe($remembered);
});

it('writes a session that says nothing new once a minute, and what is new at once', function (): void {
    $at = now()->startOfSecond();
    $held = ['_token' => 'a', 'login_web' => 7, '_previous' => ['url' => '/api/pieces']];
    $request = static function (array $changes, int $seconds) use ($at): int {
        test()->travelTo($at->copy()->addSeconds($seconds));
        $sessions = app('session')->driver('database')->getHandler();
        $sessions->write('quiet', serialize([...(array) unserialize((string) $sessions->read('quiet')), ...$changes]));

        return DB::table('sessions')->where('id', 'quiet')->value('last_activity') - $at->getTimestamp();
    };
    expect($request($held, 0))->toBe(0)->and($request([], 20))->toBe(0)->and($request(['_previous' => ['url' => '/api/papers']], 59))->toBe(0)
        ->and($request([], 60))->toBe(60)->and($request([], 61))->toBe(60)->and($request(['_token' => 'b'], 62))->toBe(62);
    $sessions = app('session')->driver('database')->getHandler();
    expect($sessions)->toBeInstanceOf(QuietSessions::class)->and(unserialize((string) $sessions->read('quiet')))->toMatchArray(['_token' => 'b', 'login_web' => 7, '_previous' => ['url' => '/api/pieces']]);
});

it('writes down who came in and who did not, by number, and no secret', function (): void {
    $file = storage_path('testing/security.log');
    @unlink($file);
    config(['logging.channels.security.path' => $file]);
    Log::forgetChannel('security');
    $artist = artist();
    [$key] = withFactor($artist);
    $this->postJson('/api/session', ['email' => 'nobody@example.org', 'password' => 'wrong pencils']);
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => 'wrong pencils']);
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD]);
    $this->postJson('/api/session', ['email' => $artist->email, 'password' => PASSWORD, 'code' => shown($key)])->assertOk();
    $this->deleteJson('/api/account', ['current_password' => PASSWORD])->assertOk();
    $said = (string) file_get_contents($file);
    preg_match_all('/INFO: (.*?) \{/', $said, $lines);
    expect($lines[1])->toBe(['second factor on', 'signed out', 'did not get in', 'did not get in', 'asked for a code', 'signed in', 'deleted the studio', 'signed out'])
        ->and($said)->toContain("\"artist\":$artist->id")->toContain('"artist":null')->not->toContain('pencils')->not->toContain($artist->email)->not->toContain(shown($key))
        ->and(fileperms($file) & 0o777)->toBe(0o600);
});
