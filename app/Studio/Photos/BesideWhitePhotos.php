<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use Prism\Charts\BesideWhite;
use Prism\Charts\ChartRefused;
use Prism\Colour\Lab;

/** Photos in which something lies beside plain white printing paper, so that its colour can be read. */
final class BesideWhitePhotos
{
    public function __construct(private readonly PhotoReader $photos)
    {
    }

    /**
     * @param  array{float, float}  $white  shares of width and height, as the photo is seen
     * @param  array{float, float}  $asked
     * @param  string  $what  is asked for, in a word
     *
     * @throws PhotoRefused|ChartRefused
     */
    public function read(string $path, array $white, array $asked, string $what): Lab
    {
        return BesideWhite::read($this->photos->pixels($path), $white, $asked, $what);
    }
}
