<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Candidate;
use Prism\Matching\Search\Nearby;
use Prism\Matching\Search\PricedSketch;
use Prism\Matching\Sketch;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use UnexpectedValueException;

/**
 * The many stacks that one target could be made by, cheapest first: what a palette is chosen from. Which pencils are in
 * the end chosen or pinned does not change them, so they are gathered once and can be kept as bytes.
 */
final readonly class TargetStacks
{
    /** Before each stack: how many layers, and the cost as a little-endian float; of a layer: pencil, percent, passes. */
    private const HEAD_BYTES = 5;

    private const LAYER_BYTES = 4;

    /** @param  list<PricedSketch>  $stacks  cheapest first */
    private function __construct(public array $stacks)
    {
    }

    /**
     * @param  Kit  $free  pencils that may be used
     * @param  ?Nearby  $nearby  if it is known already, for the same pencils
     *
     * @throws EmptyBox
     */
    public static function of(Search $search, Target $target, Limits $limits, Kit $free, ?Nearby $nearby = null): self
    {
        return new self(array_map(
            static fn (Candidate $candidate): PricedSketch => new PricedSketch($candidate->sketch, $candidate->cost),
            $search->wide($target, $limits, $free, $nearby),
        ));
    }

    public function pack(): string
    {
        $bytes = '';
        foreach ($this->stacks as $stack) {
            $bytes .= pack('Cg', count($stack->sketch->members), $stack->cost);
            foreach ($stack->sketch->members as [$pencil, $percent, $passes]) {
                $bytes .= pack('vCC', $pencil, $percent, $passes);
            }
        }

        return $bytes;
    }

    /** @throws UnexpectedValueException if the bytes are not whole */
    public static function unpack(string $bytes): self
    {
        $stacks = [];
        $length = strlen($bytes);
        for ($at = 0; $at < $length;) {
            $count = ord($bytes[$at]);
            $numbers = $at + self::HEAD_BYTES + $count * self::LAYER_BYTES <= $length ? unpack('Ccount/gcost', $bytes, $at) : false;
            if ($numbers === false) {
                throw new UnexpectedValueException('The gathered stacks are not whole.');
            }
            $at += self::HEAD_BYTES;
            $layers = [];
            for ($i = 0; $i < $count; $i++, $at += self::LAYER_BYTES) {
                $layers[] = [ord($bytes[$at]) + 256 * ord($bytes[$at + 1]), ord($bytes[$at + 2]), ord($bytes[$at + 3])];
            }
            $stacks[] = new PricedSketch(Sketch::of($layers), (float) $numbers['cost']);
        }

        return new self($stacks);
    }
}
