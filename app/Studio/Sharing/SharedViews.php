<?php

declare(strict_types=1);

namespace App\Studio\Sharing;

use App\Models\Piece;
use App\Models\Share;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Records\PieceRecords;
use Prism\Layering\Pressure;
use Prism\Materials\Pencil;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\Turn;

/** What others see of a piece: nothing that leads on into the studio. */
final class SharedViews
{
    public function __construct(private readonly ZoneRecipes $recipes, private readonly PieceRecords $records)
    {
    }

    /** @return array<string, mixed> */
    public function of(Share $share): array
    {
        $piece = $share->piece;
        $about = [
            'kind' => $share->kind, 'title' => $piece->title, 'paper' => $piece->paper->name, 'widthMm' => $piece->width_mm, 'heightMm' => $piece->height_mm, 'unit' => $piece->unit,
            'withPhoto' => $share->with_photo, 'until' => $share->expires_at->toIso8601ZuluString(), 'plan' => null, 'record' => null,
        ];

        return $share->kind === 'plan' ? [...$about, 'plan' => $this->plan($piece)] : [...$about, 'record' => $this->record($piece)];
    }

    /** @return ?array<string, mixed> null where nothing is planned */
    private function plan(Piece $piece): ?array
    {
        $plan = $this->recipes->plan($piece);
        $colours = [];
        foreach ($plan->pullList as $pull) {
            $colours[(string) $pull['pencil']->id] = $pull['pencil'];
        }

        return $plan->turns === [] ? null : [
            'minutes' => round($plan->minutes, 1),
            'sessions' => $plan->sessions(),
            'pencils' => array_map(static fn (array $pull): array => [...self::pencil($pull['pencil']), 'share' => PieceRecords::percent($pull['share'])], $plan->pullList),
            'turns' => array_map(static fn (Turn $turn): array => [
                'number' => $turn->number, 'stage' => $turn->stage->value, 'role' => $turn->role->value, 'session' => $turn->session, 'minutes' => round($turn->minutes, 1), 'why' => $turn->why,
                'pencil' => isset($colours[(string) $turn->pencil]) ? self::pencil($colours[(string) $turn->pencil]) : null,
                'pressurePercent' => $turn->pressurePercent, 'pressureWord' => $turn->pressurePercent === null ? null : Pressure::word($turn->pressurePercent),
                'places' => array_map(static fn (Place $place): array => ['name' => $place->name, 'part' => $place->words(), 'coats' => $place->coats], $turn->places),
            ], $plan->turns),
        ];
    }

    /** @return array<string, mixed> */
    private function record(Piece $piece): array
    {
        $record = $this->records->of($piece);

        return [
            'caption' => $record['caption'], 'minutes' => round($record['minutes'], 1), 'sittings' => count($record['sittings']), 'turns' => $record['turns'],
            'pencils' => array_map(static fn (array $pencil): array => ['number' => $pencil['number'], 'name' => $pencil['name'], 'hex' => $pencil['hex'], 'share' => PieceRecords::percent($pencil['share'])], $record['pencils']),
            'checks' => array_map(static fn (array $check): array => ['photo' => $check['photo'], 'at' => $check['madeAt'], 'words' => (string) ($check['meanErrorWords'] ?? '')], $record['checks']),
        ];
    }

    /** @return array{number: string, name: string, hex: ?string} */
    private static function pencil(Pencil $pencil): array
    {
        return ['number' => $pencil->id->number, 'name' => $pencil->name, 'hex' => $pencil->fullCoat?->toHex()];
    }
}
