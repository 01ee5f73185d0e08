<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\ToothModel;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\PencilId;

/** What a pencil mixes well with: those with which it makes most colours that neither of them makes alone. */
final class Partners
{
    /**
     * @param  list<string>  $others  pencils that the model knows
     * @return list<array{pencil: PencilId, gained: int, stack: Stack}> best first; with a stack of both that is the cleanest of what is new
     */
    public static function of(ToothModel $model, PencilId $pencil, array $others, int $most = 6): array
    {
        $others = array_values(array_diff($others, [(string) $pencil]));
        $book = new TouchBook($model, [(string) $pencil, ...$others]);
        $own = Gamut::ofColours(PairLibrary::group($model, $book, 0, 0));
        $found = [];
        foreach ($others as $i => $other) {
            $alone = $own->and(Gamut::ofColours(PairLibrary::group($model, $book, $i + 1, $i + 1)));
            $new = [];
            $cleanest = null;
            $chroma = -1.0;
            foreach ([[0, $i + 1], [$i + 1, 0]] as [$lower, $upper]) {
                foreach (PairLibrary::group($model, $book, $lower, $upper) as $within => $lab) {
                    if ($alone->has($lab)) {
                        continue;
                    }
                    $new[] = $lab;
                    if ($lab->chroma() > $chroma) {
                        $chroma = $lab->chroma();
                        $cleanest = PairLibrary::layersOf($lower, $upper, $within);
                    }
                }
            }
            if ($cleanest !== null) {
                $found[] = ['pencil' => PencilId::of($other), 'gained' => Gamut::ofColours($new)->count(), 'stack' => self::stack($book, $cleanest)];
            }
        }
        usort($found, static fn (array $one, array $two): int => $two['gained'] <=> $one['gained']);

        return array_slice($found, 0, $most);
    }

    /** @param  list<array{int, int, int}>  $layers */
    private static function stack(TouchBook $book, array $layers): Stack
    {
        return Stack::of(...array_map(static fn (array $layer): Step => Step::layer(PencilId::of($book->ids[$layer[0]]), (float) $layer[1], $layer[2]), $layers));
    }
}
