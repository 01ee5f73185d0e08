<?php

declare(strict_types=1);

use App\Models\Chart;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\PlanningWork;
use App\Studio\Swatches\SwatchBook;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Random\Engine\Mt19937;
use Random\Randomizer;

use function Tests\Feature\artist;
use function Tests\Feature\document;
use function Tests\Feature\pieceOf;

// Every operation of the document with what nobody should send: no failure of the studio, no word of its insides, one shape of errors.

/** How many wrong requests of each operation; more by PRISM_FUZZ. */
const FUZZED = 6;

/** What a request may not answer with: where the code lies, and what the database is asked. */
const INSIDES = '~SQLSTATE|Stack trace|vendor/|/app/|\.php|App\\\\\\\\|Prism\\\\\\\\|select \*|Undefined|must be of type~i';

/** The same chance in every run, whatever else in it throws dice; begun anew with a seed. */
function chance(?int $seed = null): Randomizer
{
    static $chance = null;

    return $chance = $seed === null && $chance !== null ? $chance : new Randomizer(new Mt19937($seed ?? 7));
}

/** @return list<mixed> */
function oddities(): array
{
    return [
        null, '', ' ', true, false, 0, -1, 7, 3.7, -1e30, '1e999', 1e308, 'INFINITE', '12abc', str_repeat('x', 121), str_repeat('é', 5000), "a\0b", '🎨 draw', "'; drop table pieces; --",
        '=1+1', '../../../.env', [], [1, 2, 3], ['x' => ['y' => ['z' => 1]]], [[]], [null], ['a' => 1, 'b' => [2]], '2026-13-45', 'QW:6858', 'QW:6858@40 > wash', 'QW:999999@40', 'ZZ:1@1000', '#12', array_fill(0, 200, 'QW:6858'),
    ];
}

/**
 * A value that the schema allows, as far as it says.
 *
 * @param  array<string, mixed>  $schema
 * @param  array<string, string>  $ids
 */
function allowed(array $schema, string $name, array $ids): mixed
{
    if (isset($schema['$ref'])) {
        return allowed(document()['components']['schemas'][basename($schema['$ref'])], $name, $ids);
    }
    if (isset($schema['oneOf'])) {
        return allowed($schema['oneOf'][0], $name, $ids);
    }
    if (isset($schema['allOf'])) {
        return array_merge(...array_map(static fn (array $part): array => (array) allowed($part, $name, $ids), $schema['allOf']));
    }
    if (isset($schema['enum'])) {
        return $schema['enum'][chance()->getInt(0, count($schema['enum']) - 1)];
    }

    return match ($schema['type'] ?? (isset($schema['properties']) ? 'object' : 'string')) {
        'integer' => in_array($name, ['version', 'sheet'], true) ? 1 : chance()->getInt(1, 12),
        'number' => in_array($name, ['x', 'y', 'radius', 'width', 'height'], true) ? chance()->getInt(5, 50) / 100 : chance()->getInt(1, 60),
        'boolean' => chance()->getInt(0, 1) === 1,
        'array' => array_map(static fn (): mixed => allowed($schema['items'] ?? ['type' => 'string'], rtrim($name, 's'), $ids), range(1, chance()->getInt(1, 2))),
        'object' => array_map(static fn (array $property, string $key): mixed => allowed($property, $key, $ids), $schema['properties'] ?? [], array_keys($schema['properties'] ?? [])) === [] ? [] : array_combine(array_keys($schema['properties']), array_map(static fn (array $property, string $key): mixed => allowed($property, $key, $ids), $schema['properties'], array_keys($schema['properties']))),
        default => $ids[$name] ?? match ($name) {
            'stack', 'step' => 'QW:6858@40 > QW:5892@50', 'pencil', 'pinned', 'banned' => 'QW:6858', 'paper' => 'harbour-cartridge', 'email' => 'who@example.org', 'page' => 'a4', 'colour', 'text' => '#446688',
            default => 'word',
        },
    };
}

/** @return array{User, array<string, string>} an artist with something of everything, by the names of paths */
function furnished(): array
{
    $user = artist();
    $piece = pieceOf($user);
    foreach (['QW:6858@30', 'QW:6858@60', 'QW:5892@60'] as $stack) {
        app(SwatchBook::class)->write($user, $piece->paper, Stack::parse($stack), Lab::of(60, 5, -38), 'typed');
    }
    $calibration = app(Calibrations::class)->calibrate($user);
    app(LookWork::class)->do($user, ['piece' => $piece->id], static fn () => null);
    $zone = $piece->zones()->firstOrFail();
    $target = $zone->targets()->firstOrFail();
    $target->recipe()->create(['stack' => 'QW:6858@30 > QW:5892@60', 'by_hand' => false]);
    $chart = Chart::query()->findOrFail($user->charts()->create(['paper_id' => $piece->paper_id, 'kind' => 'stacks', 'page' => 'a4', 'title' => 'x', 'stacks' => ['QW:6858@60']])->id);

    return [$user, [
        'piece' => $piece->id, 'zone' => $zone->id, 'target' => $target->id, 'reference' => $piece->reference()->id, 'swatch' => (string) $user->swatches()->value('id'), 'chart' => $chart->id,
        'calibration' => (string) $calibration->id, 'work' => $user->works()->create(['kind' => 'audit', 'wish' => []])->id, 'pencil' => 'QW:6858', 'advice' => 'x', 'sheet' => '1', 'format' => 'csv', 'view' => 'photo',
    ]];
}

it('fails at nothing that is sent to it, and says in one way what is wrong', function (): void {
    Queue::fake();
    $this->withoutMiddleware(ThrottleRequests::class);
    chance((int) (getenv('PRISM_FUZZ_SEED') ?: 7));
    [$user, $own] = furnished();
    [, $foreign] = furnished();
    $oddities = oddities();
    $odd = static fn (): mixed => $oddities[chance()->getInt(0, count($oddities) - 1)];
    $ids = ['0', '99999999999999999999', str_repeat('z', 300), '%00', '%F0%9F%8E%A8', '..%2F..%2Fenv', '%27', 'null', '-1', '1e3'];
    $wrong = [];
    foreach (document()['paths'] as $path => $operations) {
        foreach ($operations as $method => $operation) {
            $schema = $operation['requestBody']['content']['application/json']['schema'] ?? null;
            $times = (int) (getenv('PRISM_FUZZ') ?: FUZZED);
            for ($n = 0; $n < $times; $n++) {
                $isForeign = $n === 0 && str_contains($path, '{') && ! str_contains($path, '{pencil}');
                $named = $isForeign ? $foreign : ($n === 1 ? array_map(static fn (): string => $ids[chance()->getInt(0, count($ids) - 1)], $own) : $own);
                $url = preg_replace_callback('/\{(\w+)\}/', static fn (array $found): string => $named[$found[1]] ?? 'x', $path);
                $body = $schema === null ? [] : (array) allowed($schema, '', $own);
                $keys = array_keys($body);
                if ($keys !== [] && $n > 0) {
                    $key = $keys[chance()->getInt(0, count($keys) - 1)];
                    $deeper = is_array($body[$key]) && $body[$key] !== [] && chance()->getInt(0, 1) === 1 ? array_keys($body[$key])[0] : null;
                    if ($deeper !== null) {
                        $body[$key][$deeper] = $odd();
                    } elseif (chance()->getInt(0, 4) === 0) {
                        unset($body[$key]);
                    } else {
                        $body[$key] = $odd();
                    }
                }
                if ($n === 2) {
                    // Only what is odd; or no object at all.
                    $body = chance()->getInt(0, 1) === 0 ? array_map(static fn (): mixed => $odd(), $body) : $oddities[chance()->getInt(20, 26)];
                }
                foreach ($operation['parameters'] ?? [] as $parameter) {
                    if (($parameter['in'] ?? '') === 'query') {
                        $value = $n % 2 === 0 ? allowed($parameter['schema'] ?? [], $parameter['name'], $own) : $odd();
                        $url .= (str_contains($url, '?') ? '&' : '?').http_build_query([$parameter['name'] => $value]);
                    }
                }
                $json = str_replace('"INFINITE"', '1e999', (string) json_encode($method === 'get' ? [] : $body, JSON_INVALID_UTF8_SUBSTITUTE));
                DB::beginTransaction();
                $this->actingAs($user);
                $response = $this->call(strtoupper($method), $url, [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $method === 'get' ? null : $json);
                DB::rollBack();
                $status = $response->getStatusCode();
                $content = (string) $response->getContent();
                $faults = array_keys(array_filter([
                    'fails' => $status >= 500,
                    'gives what is another\'s' => $isForeign && $status !== 404,
                    'has no message' => $status >= 400 && (! is_string($response->json('message')) || $response->json('message') === ''),
                    'shows its insides' => $status >= 400 && preg_match(INSIDES, str_replace('\\/', '/', $content)) === 1,
                    'does not document it' => ! isset($operation['responses'][$status]),
                ]));
                if ($faults !== []) {
                    $wrong[] = sprintf('%s %s %s: %d %s; %s', strtoupper($method), substr($url, 0, 160), substr($json, 0, 300), $status, implode(', ', $faults), substr($response->exception?->getMessage() ?? $content, 0, 200));
                }
            }
        }
    }
    expect($wrong)->toBe([]);
});

it('plans whatever pins, bans and schools it has taken', function (array $changes): void {
    [$user, $own] = furnished();
    $response = $this->actingAs($user)->patchJson("/api/pieces/{$own['piece']}", $changes);
    expect($response->status())->toBeIn([200, 422]);
    $done = app(PlanningWork::class)->do($user, ['piece' => $own['piece']], static fn () => null);
    expect($done['found'])->toBeGreaterThan(0)->and(Piece::query()->findOrFail($own['piece'])->palette)->not->toBeNull();
    $this->getJson("/api/pieces/{$own['piece']}/plan")->assertOk();
})->with([
    'a pin that is nowhere' => [['pinned' => ['QW:99999']]],
    'a pin of no range' => [['pinned' => ['NOWHERE:1']]],
    'a pin that is not in the box' => [['pinned' => ['QW:102']]],
    'pins under keys' => [['pinned' => ['a' => 'QW:6858']]],
    'all but one banned' => [['banned' => ['QW:1823', 'QW:3737', 'QW:5892', 'QW:7432', 'QW:5925', 'QW:2794', 'QW:3131', 'QW:4863', 'QW:3769', 'LO:9659', 'LO:2143', 'LO:3512', 'LO:4841', 'LO:2627']]],
    'pinned and banned at once' => [['pinned' => ['QW:6858'], 'banned' => ['QW:6858']]],
    'a palette of one' => [['paletteSize' => 1]],
]);
