<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\Bearing;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\FormGradient;
use Prism\Reference\Zones\ZoneReading;
use Prism\Schools\Highlights;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

/** A zone of the picture as planning needs it. */
final readonly class PictureZone
{
    /** What a colour of a zone counts: by area, and more where it draws the eye. */
    private const IMPORTANCE = [1 => 0.6, 2 => 1.0, 3 => 1.7];

    /** Small accents count at least as if they were this share of the picture. */
    private const LEAST_SHARE = 0.002;

    /**
     * @param  int  $label  its number in the zone map; 0 if it is a mere spot
     * @param  float  $share  of the picture, 0-1
     * @param  int  $importance  1 quiet, 2 usual, 3 draws the eye
     * @param  list<int>  $touching  labels of the zones that it touches
     * @param  list<PictureTarget>  $targets
     * @param  ?FormGradient  $gradient  null where it goes from light to dark no one way, or that was not read
     * @param  float  $across  where it lies, share of the width
     * @param  float  $down  share of the height
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $label,
        public float $share,
        public int $importance,
        public Surface $surface,
        public ZoneLight $light,
        public Distance $distance,
        public bool $crisp,
        public ?float $direction,
        public array $touching,
        public array $targets,
        public SchoolSet $schools = new SchoolSet,
        public Highlights $highlights = Highlights::Reserve,
        public ?FormGradient $gradient = null,
        public float $across = 0.0,
        public float $down = 0.0,
    ) {
    }

    public static function read(ZoneReading $reading, SchoolSet $schools = new SchoolSet, Highlights $highlights = Highlights::Reserve): self
    {
        $targets = [];
        foreach ($reading->targets as $i => $target) {
            $targets[] = new PictureTarget(sprintf('%d-%d', $reading->zone, $i + 1), $target->role, $target->colour, $target->colour, $target->share, $target->lineWidth, $target->edgeWidth);
        }

        return new self(
            (string) $reading->zone, $reading->name, $reading->zone, $reading->share, $reading->importance, $reading->surface,
            $reading->light, $reading->distance, $reading->crisp, $reading->direction, array_keys($reading->touching), $targets, $schools, $highlights, $reading->gradient, $reading->x, $reading->y,
        );
    }

    /** The same by other schools, its colours brought within reach. */
    public function by(SchoolSet $schools, Fitting $fitting): self
    {
        return new self(
            $this->id, $this->name, $this->label, $this->share, $this->importance, $this->surface, $this->light, $this->distance, $this->crisp, $this->direction, $this->touching,
            array_map(static fn (PictureTarget $target): PictureTarget => new PictureTarget($target->id, $target->role, $target->read, $fitting->colour($target->read), $target->share, $target->lineWidth, $target->edgeWidth), $this->targets),
            $schools, $schools->highlights, $this->gradient, $this->across, $this->down,
        );
    }

    /**
     * What a search for a colour of it is allowed, by the schools that bear on it.
     *
     * @param  list<string>  $given  pencils that the artist has chosen for the picture, RANGE:NUMBER
     */
    public function limits(int $maxLayers, Target $target, array $given = []): Limits
    {
        $schools = $this->schools->blending($this->schools->blending->ofStacks()->on($this->surface));

        return new Limits(maxLayers: $maxLayers, schools: Bearing::of($schools, $target), surface: $this->surface, given: $given);
    }

    /** What a colour of it counts against those of the whole picture. */
    public function weight(PictureTarget $target): float
    {
        return max(self::LEAST_SHARE, $this->share * $target->share) * (self::IMPORTANCE[$this->importance] ?? 1.0);
    }
}
