<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Reference\Zones\TargetRole;
use Prism\Schools\Highlights;
use Prism\Schools\SchoolSet;

/** A colour of a zone of the picture with the stack that was chosen for it. The empty stack: the paper stays bare. */
final readonly class PlannedZone
{
    /**
     * @param  string  $zone  the zone that it is a colour of
     * @param  ?int  $underlayer  which step of the stack is its underlayer
     * @param  float  $areaMm2  on the paper
     * @param  list<string>  $touching  zones that its zone touches
     * @param  SchoolSet  $schools  followed in this zone
     * @param  TargetRole  $role  what the colour is in its zone
     * @param  bool  $own  the artist's own recipe: it is laid as it stands
     * @param  bool  $valueOnly  only its lightness counts
     * @param  string  $zoneName  what the zone is called; the colour's own name where that is not given
     * @param  ?float  $lineMm  how wide the lines are that it is the colour of; null: it is none
     * @param  ?float  $edgeMm  over how much it fades into what lies beside it; null where that was not read
     * @param  float  $across  where its zone lies, share of the width
     * @param  float  $down  share of the height
     */
    public function __construct(
        public string $id,
        public string $zone,
        public string $name,
        public Lab $target,
        public Stack $stack,
        public ?int $underlayer = null,
        public float $areaMm2 = 0.0,
        public array $touching = [],
        public SchoolSet $schools = new SchoolSet,
        public Highlights $highlights = Highlights::Reserve,
        public TargetRole $role = TargetRole::Middle,
        private string $zoneName = '',
        public bool $own = false,
        public bool $valueOnly = false,
        public ?float $lineMm = null,
        public ?float $edgeMm = null,
        public float $across = 0.0,
        public float $down = 0.0,
    ) {
    }

    public function zoneName(): string
    {
        return $this->zoneName === '' ? $this->name : $this->zoneName;
    }
}
