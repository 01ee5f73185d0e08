<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Piece;
use App\Models\Zone;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\PicturePalettes;
use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\ZoneTraits;
use Illuminate\Validation\ValidationException;
use Prism\Colour\Lab;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Surface;

final class RecipeSearchRequest extends StudioRequest
{
    /** Three rounds of two, an underlayer and a last coat. */
    private const LAYERS = 8;

    /** Classes of lightfastness that last. */
    private const LASTING = ['I', 'II', 'III'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'L' => ['required', 'numeric', 'between:0,100'],
            'a' => ['required', 'numeric', 'between:-200,200'],
            'b' => ['required', 'numeric', 'between:-200,200'],
            'maxPencils' => ['integer', 'between:1,8'],
            'maxLayers' => ['integer', 'between:1,12'],
            'valueOnly' => ['boolean'],
            'noBlack' => ['boolean'],
            'waxLast' => ['boolean'],
            'toned' => ['boolean'],
            'zone' => ['nullable', 'string', 'max:30'],
            'lightfast' => ['boolean'],
            'paletteOnly' => ['boolean'],
            'must' => ['array', 'max:4'],
            'must.*' => ['string', 'max:40'],
            'avoid' => ['array', 'max:160'],
            'avoid.*' => ['string', 'max:40'],
        ];
    }

    /** The colour that is looked for, in the light of its zone. */
    public function target(Piece $piece): Target
    {
        $colour = Lab::of($this->float('L'), $this->float('a'), $this->float('b'));
        $zone = $this->zone($piece);

        return ($this->boolean('valueOnly') ? Target::value($colour) : Target::colour($colour))->inShadow($zone !== null && ZoneTraits::light($zone)->isShadow());
    }

    /** @throws ValidationException if recipes for toned paper are asked for on white paper */
    public function limits(Piece $piece, int $top): Limits
    {
        $zone = $this->zone($piece);
        $schools = $zone === null
            ? SchoolChoices::ofPiece($piece)->schools()
            : SchoolChoices::ofZone($zone->setRelation('piece', $piece))->schools();

        if ($this->boolean('toned')) {
            if (! Catalogue::paper($piece->paper)->isToned()) {
                throw ValidationException::withMessages(['toned' => PicturePalettes::WHITE_PAPER]);
            }
            $schools = $schools->blackAndWhite(BlackAndWhite::Toned);
        }

        return new Limits($top, $this->integer('maxPencils', 4), $this->integer('maxLayers', self::LAYERS), $schools, $this->boolean('noBlack'), $this->boolean('waxLast'), array_values($this->validated('must', [])), $zone === null ? Surface::Smooth : ZoneTraits::surface($zone));
    }

    public function zone(Piece $piece): ?Zone
    {
        return $this->filled('zone') ? $piece->zones()->whereKey($this->validated('zone'))->first() : null;
    }

    /** The pencils of a box that may be used; null for all of them. */
    public function allowed(Kit $box, Piece $piece): ?Kit
    {
        $avoid = array_flip($this->validated('avoid', []));
        $palette = $this->boolean('paletteOnly') && $piece->palette !== null ? array_flip(array_column($piece->palette['pencils'], 'id')) : null;
        $lightfast = $this->boolean('lightfast');
        if ($avoid === [] && $palette === null && ! $lightfast) {
            return null;
        }

        return $box->where(static fn (Pencil $pencil): bool => ! isset($avoid[(string) $pencil->id])
            && ($palette === null || isset($palette[(string) $pencil->id]))
            && (! $lightfast || in_array($pencil->lightfastness, self::LASTING, true)));
    }
}
