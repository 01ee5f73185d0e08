<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Layering\Look;
use Prism\Matching\PencilCoat;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;

/** What a term of the cost looks at: layers, the pencils of each, and what is seen of them. */
final readonly class Laid
{
    /**
     * @param  list<array{int, int, int}>  $members  layers bottom to top, rounds not written out: pencil, percent, coats
     * @param  list<PencilCoat>  $coats  of the members
     * @param  int  $layers  how many in all, each round counted
     * @param  int  $allCoats  of all layers, each round counted
     * @param  bool  $opensInRound  the first member comes again
     * @param  bool  $endsInRound  the last member lay below others before
     */
    private function __construct(
        public array $members,
        public array $coats,
        public int $layers,
        public int $allCoats,
        public int $rounds,
        public bool $opensInRound,
        public bool $endsInRound,
        public Look $look,
    ) {
    }

    public static function of(Sketch $sketch, Look $look, TouchBook $book): self
    {
        $coats = [];
        foreach ($sketch->members as [$index]) {
            $coats[] = $book->coat($index);
        }
        $all = 0;
        foreach ($sketch->layers as [, , $passes]) {
            $all += $passes;
        }

        return new self($sketch->members, $coats, count($sketch->layers), $all, $sketch->times, $sketch->isInRound(0), $sketch->isInRound(count($sketch->members) - 1), $look);
    }
}
