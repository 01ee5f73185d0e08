<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Colour\Lab;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Lines\AreaForm;
use Prism\Reference\Lines\AreaPaint;
use Prism\Schools\Surface;

/** What can be seen in a zone. All of it but colours and place is an estimate that the artist may correct. */
final readonly class ZoneReading
{
    /**
     * @param  int  $zone  its number in the map
     * @param  string  $name  by place and colour: "lower left, dark green"
     * @param  float  $share  of the picture, 0-1
     * @param  float  $x  the spot furthest from its borders, share of the width
     * @param  float  $y  share of the height
     * @param  float  $room  radius of the largest circle within it, share of the width
     * @param  non-empty-list<ZoneTarget>  $targets
     * @param  ?float  $direction  of its grain or form in degrees from the right, counter-clockwise, 0 up to 180; null if it has none
     * @param  bool  $crisp  whether its edge is crisp on the whole
     * @param  int  $importance  1 quiet, 2 usual, 3 draws the eye
     * @param  float  $warmth  against the mean of the picture: positive is warmer
     * @param  array<int, float>  $touching  share of its border with each zone that it touches
     * @param  ?FormGradient  $gradient  how it goes from light to dark; null if it goes no one way
     */
    public function __construct(
        public int $zone,
        public string $name,
        public float $share,
        public float $x,
        public float $y,
        public float $room,
        public Lab $colour,
        public array $targets,
        public Surface $surface,
        public ?float $direction,
        public bool $crisp,
        public Distance $distance,
        public int $importance,
        public ZoneLight $light,
        public float $warmth,
        public array $touching,
        public ?FormGradient $gradient = null,
    ) {
    }

    /**
     * Of an area that is coloured by rule: its colours are those that were chosen, and what else was seen in it is where they pass into
     * one another. Each is lit by itself.
     */
    public function painted(AreaPaint $paint): self
    {
        $chosen = $paint->form === AreaForm::Flat ? ['middle' => $paint->colours->middle] : ['light' => $paint->colours->light, 'middle' => $paint->colours->middle, 'dark' => $paint->colours->dark];
        $targets = [];
        foreach ($this->targets as $target) {
            $colour = $chosen[$target->role->value] ?? null;
            $isGlint = $paint->shines && $target->role === TargetRole::Accent && $target->colour->L > $paint->colours->light->L;
            if ($colour !== null || $isGlint) {
                $targets[] = new ZoneTarget($target->role, $colour ?? $target->colour, $target->share, $isGlint ? $target->spread : 0.0, $target->x, $target->y, null, $target->edgeWidth);
            }
        }
        $middle = $this->targets[0];

        return new self(
            $this->zone, $this->name, $this->share, $this->x, $this->y, $this->room, $this->colour,
            $targets !== [] ? $targets : [new ZoneTarget(TargetRole::Middle, $paint->colours->middle, 1.0, 0.0, $middle->x, $middle->y)],
            $paint->shines ? Surface::Hard : Surface::Smooth, null, true, $this->distance, $this->importance, ZoneLight::Lit, $this->warmth, $this->touching, $this->gradient,
        );
    }
}
