<?php

declare(strict_types=1);

namespace Prism\Planning\Palette;

use Prism\Layering\ToothModel;
use Prism\Matching\TouchBook;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/** Black and white for toned paper: white takes the lights, black the darks, the paper lies between. */
final readonly class TonedSet
{
    private function __construct(public ?PencilId $black, public ?PencilId $white)
    {
    }

    /** The darkest black and the lightest white of a box; null where it has none. */
    public static function of(Kit $box, ToothModel $model): self
    {
        $book = new TouchBook($model, $box->ids(), $box);
        $black = $white = null;
        foreach ($box->ids() as $index => $id) {
            $L = $book->coat($index)->L;
            if ($book->isBlack($index) && ($black === null || $L < $black[0])) {
                $black = [$L, PencilId::of($id)];
            }
            if ($book->isWhite($index) && ($white === null || $L > $white[0])) {
                $white = [$L, PencilId::of($id)];
            }
        }

        return new self($black[1] ?? null, $white[1] ?? null);
    }
}
