<?php

declare(strict_types=1);

use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Router;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

use function Tests\Feature\artist;
use function Tests\Feature\document;
use function Tests\Feature\pieceOf;

// The HTTP API as a whole: documented, and what it answers is what the document says.

/**
 * What an answer has against a schema of the document: nothing, if it is as documented.
 *
 * @param  array<string, mixed>  $schema
 * @return list<string>
 */
function against(array $schema, mixed $value, string $at = '$'): array
{
    if (isset($schema['$ref'])) {
        return against(document()['components']['schemas'][basename($schema['$ref'])], $value, $at);
    }
    if ($value === null) {
        return ($schema['nullable'] ?? false) ? [] : ["$at is null"];
    }
    if (isset($schema['oneOf'])) {
        return against($schema['oneOf'][0], $value, $at);
    }
    if (isset($schema['enum']) && ! in_array($value, $schema['enum'], true)) {
        return ["$at is not one of ".implode(', ', $schema['enum'])];
    }
    $type = $schema['type'] ?? (isset($schema['properties']) ? 'object' : null);
    $fits = match ($type) {
        'string' => is_string($value),
        'integer' => is_int($value),
        'number' => is_int($value) || is_float($value),
        'boolean' => is_bool($value),
        'array' => is_array($value) && array_is_list($value),
        'object' => is_array($value),
        default => true,
    };
    if (! $fits) {
        return ["$at is no $type"];
    }
    $found = [];
    if ($type === 'array') {
        foreach ($value as $i => $item) {
            $found = [...$found, ...against($schema['items'], $item, "{$at}[$i]")];
        }
    }
    if ($type === 'object' && isset($schema['properties'])) {
        foreach (array_diff($schema['required'] ?? [], array_keys($value)) as $missing) {
            $found[] = "$at.$missing is missing";
        }
        foreach (array_diff(array_keys($value), array_keys($schema['properties'])) as $unknown) {
            $found[] = "$at.$unknown is not documented";
        }
        foreach (array_intersect_key($value, $schema['properties']) as $name => $item) {
            $found = [...$found, ...against($schema['properties'][$name], $item, "$at.$name")];
        }
    }

    return $found;
}

function expectDocumented(TestResponse $response, string $method, string $path): void
{
    $answers = document()['paths'][$path][$method]['responses'];
    expect(isset($answers[$response->status()]))->toBeTrue("$method $path does not document {$response->status()}");
    $schema = $answers[$response->status()]['content']['application/json']['schema'] ?? null;
    expect($schema === null ? [] : against($schema, $response->json()))->toBe([]);
}

it('documents every address of the API, and none besides', function (): void {
    $routes = [];
    foreach (Router::getRoutes() as $route) {
        assert($route instanceof Route);
        // Those of scripts are the same again: ScriptsTest.
        if (! str_starts_with($route->uri(), 'api/') || str_starts_with($route->uri(), 'api/v1/') || $route->isFallback) {
            continue;
        }
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $routes[] = strtolower($method).' /'.$route->uri();
        }
    }
    // Files, not JSON: they are opened by the browser itself.
    $routes = array_diff($routes, ['get /api/references/{reference}/photos/{view}', 'get /api/pieces/{piece}/transfer.pdf', 'get /api/pieces/{piece}/simulation.png', 'get /api/pieces/{piece}/drawing/photos/{mark}', 'get /api/pieces/{piece}/reviews/{mark}/{view}', 'get /api/pieces/{piece}/plan.pdf', 'get /api/pencils.{format}', 'get /api/recipes.{format}', 'get /api/recipes/cards.pdf', 'get /api/swatches.{format}',
        'get /api/charts/{chart}/chart.pdf', 'get /api/charts/{chart}/sheets/{sheet}.svg', 'get /api/charts/{chart}/filled/{sheet}']);
    $documented = [];
    foreach (document()['paths'] as $path => $methods) {
        foreach (array_keys($methods) as $method) {
            $documented[] = "$method $path";
        }
    }
    sort($routes);
    sort($documented);
    expect(array_values($routes))->toBe($documented);
});

it('names each operation once', function (): void {
    $names = [];
    foreach (document()['paths'] as $methods) {
        foreach ($methods as $operation) {
            $names[] = $operation['operationId'];
        }
    }
    expect(array_unique($names))->toHaveCount(count($names));
});

it('answers as documented along the whole way', function (): void {
    $user = artist();
    $piece = pieceOf($user);
    $this->actingAs($user);
    $url = "/api/pieces/{$piece->id}";
    $spot = ['x' => 0.25, 'y' => 0.25, 'radius' => 0.02];

    expectDocumented($this->getJson('/api/session'), 'get', '/api/session');
    expectDocumented($this->getJson('/api/papers'), 'get', '/api/papers');
    expectDocumented($this->getJson('/api/pencils'), 'get', '/api/pencils');
    expectDocumented($this->getJson('/api/nearest-pencils?to=%23305090'), 'get', '/api/nearest-pencils');
    expectDocumented($this->getJson('/api/pieces'), 'get', '/api/pieces');
    expectDocumented($this->postJson("$url/samples", $spot), 'post', '/api/pieces/{piece}/samples');
    expectDocumented($this->postJson("$url/recipes", ['L' => 45, 'a' => 40, 'b' => 25]), 'post', '/api/pieces/{piece}/recipes');
    expectDocumented($this->postJson("$url/predictions", ['L' => 45, 'a' => 40, 'b' => 25, 'stack' => 'QW:5892@40 > wash > QW:7432@90']), 'post', '/api/pieces/{piece}/predictions');
    $zone = $this->postJson("$url/zones", ['name' => 'a', ...$spot, 'stack' => 'QW:6858@30 > QW:5892@60 > blend']);
    expectDocumented($zone, 'post', '/api/pieces/{piece}/zones');
    expectDocumented($this->patchJson('/api/zones/'.$zone->json('id'), ['version' => 1, 'name' => 'b']), 'patch', '/api/zones/{zone}');
    expectDocumented($this->getJson($url), 'get', '/api/pieces/{piece}');
    expectDocumented($this->patchJson($url, ['title' => 'Evening']), 'patch', '/api/pieces/{piece}');
    $plan = $this->getJson("$url/plan");
    expectDocumented($plan, 'get', '/api/pieces/{piece}/plan');
    expectDocumented($this->postJson("$url/drawing", ['mark' => (string) Str::ulid(), 'keys' => [$plan->json('currentKey')], 'state' => 'done']), 'post', '/api/pieces/{piece}/drawing');
    expectDocumented($this->deleteJson("$url/drawing/last"), 'delete', '/api/pieces/{piece}/drawing/last');
});

it('refuses as documented', function (): void {
    $user = artist();
    $piece = pieceOf($user);
    $this->actingAs($user);
    $url = "/api/pieces/{$piece->id}";
    $zone = $this->postJson("$url/zones", ['name' => 'a', 'x' => 0.5, 'y' => 0.5, 'radius' => 0])->json('id');

    expectDocumented($this->postJson('/api/pieces', []), 'post', '/api/pieces');
    expectDocumented($this->getJson('/api/pieces/none'), 'get', '/api/pieces/{piece}');
    expectDocumented($this->postJson("$url/samples", []), 'post', '/api/pieces/{piece}/samples');
    expectDocumented($this->postJson("$url/recipes", []), 'post', '/api/pieces/{piece}/recipes');
    expectDocumented($this->postJson("$url/predictions", ['L' => 45, 'a' => 40, 'b' => 25, 'stack' => 'QW:5892@']), 'post', '/api/pieces/{piece}/predictions');
    expectDocumented($this->postJson("$url/zones", []), 'post', '/api/pieces/{piece}/zones');
    expectDocumented($this->patchJson("/api/zones/$zone", ['version' => 9]), 'patch', '/api/zones/{zone}');
    expectDocumented($this->patchJson("/api/zones/$zone", []), 'patch', '/api/zones/{zone}');
    expectDocumented($this->patchJson($url, ['schools' => ['value' => 'x']]), 'patch', '/api/pieces/{piece}');
    expectDocumented($this->putJson('/api/box', ['add' => ['XX:1']]), 'put', '/api/box');
    expectDocumented($this->postJson("$url/drawing", ['mark' => (string) Str::ulid(), 'keys' => ['x'], 'state' => 'done']), 'post', '/api/pieces/{piece}/drawing');
});

it('says a refusal in one sentence, never in a trace', function (): void {
    $user = artist();
    $this->actingAs($user);
    foreach ([$this->getJson('/api/pieces/none'), $this->postJson('/api/pieces', []), $this->getJson('/api/zones/1'), $this->deleteJson('/api/zones/none')] as $response) {
        expect($response->status())->toBeGreaterThanOrEqual(400)->toBeLessThan(500)
            ->and($response->json('message'))->toBeString()->not->toContain('App\\')
            ->and($response->json())->not->toHaveKeys(['exception', 'trace']);
    }
});

it('takes stacks and names only as long as they make sense', function (): void {
    $user = artist();
    $piece = pieceOf($user);
    $this->actingAs($user);
    $body = ['x' => 0.5, 'y' => 0.5, 'radius' => 0.01];
    $this->postJson("/api/pieces/{$piece->id}/zones", [...$body, 'name' => str_repeat('n', 81)])->assertJsonValidationErrorFor('name');
    $this->postJson("/api/pieces/{$piece->id}/zones", [...$body, 'name' => 'n', 'stack' => str_repeat('wash > ', 400).'wash'])->assertJsonValidationErrorFor('stack');
    $this->postJson("/api/pieces/{$piece->id}/zones", [...$body, 'name' => 'n', 'stack' => implode(' > ', array_fill(0, 41, 'wash'))])->assertUnprocessable();
    $this->postJson("/api/pieces/{$piece->id}/zones", [...$body, 'name' => '<b>Öl & Tau</b>'])->assertCreated()->assertJsonPath('name', '<b>Öl & Tau</b>');
});
