<?php

declare(strict_types=1);

use App\Models\Zone;
use App\Models\ZoneTarget;
use Illuminate\Database\Eloquent\Casts\Json;
use Illuminate\Support\Facades\DB;
use Prism\Reference\Zones\TargetRole;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

afterEach(fn () => Json::decodeUsing(null));

it('decodes a list once however often it is read, and again when another is set', function (): void {
    $decoded = 0;
    Json::decodeUsing(static function (mixed $value) use (&$decoded): mixed {
        $decoded++;

        return json_decode((string) $value, true);
    });
    $zone = (new Zone)->setRawAttributes(['corrections' => '{"light":"lit"}']);
    foreach (range(1, 20) as $_) {
        expect($zone->corrections)->toBe(['light' => 'lit'])->and(isset($zone->corrections['light']))->toBeTrue();
    }
    expect($decoded)->toBe(1);
    $zone->corrections = ['light' => 'shadow'];
    expect($zone->corrections)->toBe(['light' => 'shadow']);
    $zone->setRawAttributes(['corrections' => '{"light":"glint"}']);
    expect($zone->corrections)->toBe(['light' => 'glint'])->and($zone->replicate()->corrections)->toBe(['light' => 'glint']);
    $zone->corrections = null;
    expect($zone->corrections)->toBeNull();
    unset($zone->corrections);
    expect($zone->corrections)->toBeNull();
});

it('reads what was written meanwhile once the row is read anew', function (): void {
    $target = spotIn(pieceOf(artist()), 'Hull', [40.0, 1.0, 2.0]);
    expect([$target->L, $target->role, $target->zone->name])->toBe([40.0, TargetRole::Middle, 'Hull']);
    ZoneTarget::query()->whereKey($target->id)->update(['L' => 55.5, 'role' => 'dark']);
    DB::table('zones')->where('id', $target->zone_id)->update(['name' => 'Keel']);
    expect([$target->refresh()->L, $target->role, $target->zone->name])->toBe([55.5, TargetRole::Dark, 'Keel']);
    $target->L = 12;
    expect($target->L)->toBe(12.0)->and($target->isDirty('L'))->toBeTrue();
});

it('hands out a date of its own each time, so that nobody changes another’s', function (): void {
    $target = spotIn(pieceOf(artist()), 'Hull', [40.0, 1.0, 2.0])->refresh();
    $was = $target->updated_at->toIso8601String();
    $target->updated_at->addYear();
    expect($target->updated_at->toIso8601String())->toBe($was);
});
