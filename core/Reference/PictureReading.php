<?php

declare(strict_types=1);

namespace Prism\Reference;

use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Light\ValueReading;
use Prism\Reference\Zones\MergeTree;

/** A picture as read once and for all: its zones at every number, its values, where its light comes from. */
final readonly class PictureReading
{
    /** Long edge of the picture that is read, in pixels: half a millimetre of a drawing on A3. */
    public const EDGE = 720;

    private function __construct(public MergeTree $tree, public ValueReading $values, public LightDirection $light)
    {
    }

    /** @param  ?\Closure(string, float): void  $progress  what is being done and how far all of it is, 0-1 */
    public static function of(Raster $picture, ?\Closure $progress = null): self
    {
        $progress ??= static function (): void {
        };
        $progress('Scaling the photo', 0.0);
        $field = Field::of($picture, self::EDGE);
        $tree = MergeTree::of($field, static fn (string $doing, float $share) => $progress($doing, 0.2 + 0.7 * $share));
        $progress('Reading values and light', 0.92);

        return new self($tree, ValueReading::of($field), LightDirection::of($field));
    }
}
