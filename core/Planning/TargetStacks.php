<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\Candidate;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use UnexpectedValueException;

/**
 * The many stacks that one target could be made by, cheapest first: what a palette is chosen from. Which pencils are in
 * the end chosen or pinned does not change them, so they are gathered once and can be kept as bytes.
 */
final readonly class TargetStacks
{
    /** Of a stack against the best one, dE00. */
    private const WORTH_KEEPING = 15.0;

    /** Before each stack: how many layers, and the cost as a little-endian float; of a layer: pencil, percent, passes. */
    private const HEAD_BYTES = 5;

    private const LAYER_BYTES = 4;

    /** @param  list<Candidate>  $stacks  cheapest first */
    private function __construct(public array $stacks)
    {
    }

    /**
     * @param  Kit  $free  pencils that may be used
     *
     * @throws EmptyBox
     */
    public static function of(Search $search, Target $target, Limits $limits, Kit $free): self
    {
        $wide = array_values($search->wide($target, $limits, $free));
        $least = min([INF, ...array_map(static fn (Candidate $candidate): float => $candidate->cost, $wide)]);
        // What costs so much more serves only if nothing else can: for that there is each pencil alone.
        $stacks = array_values(array_filter($wide, static fn (Candidate $candidate): bool => $candidate->cost <= $least + self::WORTH_KEEPING || count($candidate->layers) === 1));
        usort($stacks, static fn (Candidate $a, Candidate $b): int => $a->cost <=> $b->cost);

        return new self($stacks);
    }

    public function pack(): string
    {
        $bytes = '';
        foreach ($this->stacks as $stack) {
            $bytes .= pack('Cg', count($stack->layers), $stack->cost);
            foreach ($stack->layers as [$pencil, $percent, $passes]) {
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
            $stacks[] = new Candidate($layers, (float) $numbers['cost']);
        }

        return new self($stacks);
    }
}
