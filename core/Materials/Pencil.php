<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/**
 * A coloured pencil as its maker describes it, and its measured colour where there is one.
 */
final readonly class Pencil
{
    /** A name has at most so many. */
    public const NAME_LETTERS = 120;

    /** Best first. */
    public const LIGHTFASTNESS = ['I', 'II', 'III', 'IV', 'V'];

    /**
     * @param  ?Lab  $fullCoat  colour of a heavy coat on white paper
     * @param  ?array<int, float>  $fullCoatBands  the same as reflectances in the engine's bands, where a spectrum was measured
     * @param  ?Core  $core  null if not known
     * @param  bool  $stains  cannot be erased without a trace
     */
    public function __construct(
        public PencilId $id,
        public string $name,
        public Binder $binder,
        public Opacity $opacity = Opacity::Semi,
        public ?string $lightfastness = null,
        public ?Lab $fullCoat = null,
        public ?array $fullCoatBands = null,
        public ?Core $core = null,
        public bool $stains = false,
    ) {
    }
}
