<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\Reference;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use App\Studio\Photos\References;
use App\Studio\Planning\SchoolChoices;
use Closure;
use Imagick;
use Prism\Colour\Lab;
use Prism\Planning\Parcel;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Sample;
use Prism\Reference\Light\RangeMode;
use Prism\Reference\Light\ToneMap;
use Prism\Reference\Light\ValueReading;
use Prism\Reference\LookRefused;
use Prism\Reference\PictureReading;
use Prism\Reference\Reserves\ReserveKind;
use Prism\Reference\Reserves\Reserves;
use Prism\Reference\Zones\ZoneMap;

/** What is seen in the part of a photo that is drawn: its values, what must stay paper, the same spot in other photos. */
final class Looking
{
    /** How much of the hatching over reserves shows: what stays paper, and what stays pale. */
    private const PAPER_ALPHA = 255;

    private const PALE_ALPHA = 110;

    /** Goes up when reserves are found differently. */
    private const VERSION = 1;

    private const RESERVES = 'reserves';

    public function __construct(
        private readonly PhotoStore $photos,
        private readonly PictureReadings $readings,
        private readonly ZoneBook $zones,
        private readonly Reach $reach,
    ) {
    }

    public function reading(Piece $piece): ?PictureReading
    {
        return $this->readings->of($piece->reference());
    }

    public function values(Piece $piece): ValueReading
    {
        $known = $piece->crop === null ? $this->reading($piece) : null;

        return $known->values ?? ValueReading::of($this->field($piece));
    }

    /**
     * Brings the values of the photo within reach in this way, from now on.
     *
     * @return array{mode: string, photoDark: float, photoLight: float, reachDark: float, reachLight: float, chroma: array<string, float>} what a piece keeps of it
     *
     * @throws LookRefused if the box is empty
     */
    public function tone(Piece $piece, RangeMode $mode): array
    {
        if ($mode === RangeMode::AsIs) {
            return ToneMap::none()->toArray();
        }
        $reach = $this->reach->of($piece) ?? throw new LookRefused('Your box is empty, so what can be reached is not known. Put pencils in the box first.');
        $values = $this->values($piece);

        return ToneMap::of($mode, $values->dark, $values->light, $reach['dark'], $reach['light'], $this->reach->chroma($piece))->toArray();
    }

    /** What must stay paper or pale, in the part that is drawn; null if it was not looked for since something in it changed. */
    public function reserves(Piece $piece): ?Reserves
    {
        $bytes = $this->photos->beside($piece->reference(), $this->reservesFile($piece));
        $kept = $bytes === null ? null : Parcel::unpack($bytes);

        return $kept instanceof Reserves ? $kept : null;
    }

    /** @param  Closure(string, float): void  $progress  may throw to stop */
    public function findReserves(Piece $piece, Closure $progress): Reserves
    {
        $kept = $this->reserves($piece);
        if ($kept !== null) {
            return $kept;
        }
        $file = $this->reservesFile($piece);
        $progress('Reading what paper and box can reach', 0.05);
        $lights = $this->reach->lights($piece);
        $progress('Looking for what must stay paper', 0.3);
        $field = $this->field($piece);
        $map = $this->zones->map($piece);
        $crop = $piece->crop;
        $map = $map === null ? null : ($crop === null ? $map : $map->cutOut($crop['x'], $crop['y'], $crop['width'], $crop['height']));
        $paper = Lab::of($piece->paper->L, $piece->paper->a, $piece->paper->b);

        $reserves = Reserves::of($field, $map ?? ZoneMap::none($field->width, $field->height), $paper, $lights, Targets::tone($piece));
        $progress('Looking for what must stay paper', 0.95);
        $this->photos->putBeside($piece->reference(), $file, Parcel::pack($reserves));
        $this->photos->removeBeside($piece->reference(), self::RESERVES, $file);

        return $reserves;
    }

    private function reservesFile(Piece $piece): string
    {
        $rests = [self::VERSION, $piece->reference()->picture, $piece->crop, hash('xxh128', (string) $piece->zone_map), $piece->paper->only(Paper::PHYSICAL), $piece->tone, $this->reach->restsOn($piece)];

        return self::RESERVES.'-'.hash('xxh128', json_encode($rests, JSON_THROW_ON_ERROR));
    }

    /** The reserves as a PNG of the part that is drawn: opaque where the paper stays, half where it stays pale. */
    public function mask(Reserves $reserves): string
    {
        $rgba = '';
        foreach (str_split($reserves->mask) as $kind) {
            $rgba .= "\0\0\0".chr(match (ord($kind)) {
                Reserves::PAPER => self::PAPER_ALPHA,
                Reserves::PALE => self::PALE_ALPHA,
                default => 0,
            });
        }
        $image = new Imagick;
        $image->setSize($reserves->width, $reserves->height);
        $image->setOption('depth', '8');
        $image->setFormat('rgba');
        $image->readImageBlob($rgba, 'mask.rgba');
        $image->setFormat('png');
        $image->setImageFormat('png');

        return $image->getImageBlob();
    }

    /**
     * Where reserves lie: in which zone, how wide on the paper, what to do.
     *
     * @return list<array{kind: ReserveKind, share: float, widthMm: float, rim: bool, x: float, y: float, label: int, advice: string}>
     */
    public function places(Piece $piece, Reserves $reserves): array
    {
        $crop = $piece->crop ?? ['x' => 0.0, 'y' => 0.0, 'width' => 1.0, 'height' => 1.0];
        $places = [];
        foreach ($reserves->places as $place) {
            $widthMm = $place->width * $piece->width_mm;
            $places[] = [
                'kind' => $place->kind, 'share' => $place->share, 'widthMm' => round($widthMm, 1), 'rim' => $place->rim,
                'x' => $crop['x'] + $place->x * $crop['width'], 'y' => $crop['y'] + $place->y * $crop['height'],
                'label' => $place->zone,
                'advice' => $place->kind === ReserveKind::Paper ? SchoolChoices::ofPiece($piece)->highlights()->adviceFor($widthMm) : sprintf('%.1f mm: only the palest pencils come near; keep other colours off it.', $widthMm),
            ];
        }

        return $places;
    }

    /**
     * The same spot of the subject in each reference.
     *
     * @return list<array{reference: Reference, x: float, y: float, sample: ?Sample}> no sample where it lies outside
     *
     * @throws LookRefused if the pairs of a reference tell nothing
     */
    public function sameSpot(Piece $piece, float $x, float $y, float $radius): array
    {
        $spots = [];
        foreach ($piece->references as $reference) {
            [$u, $v] = References::alignment($piece->reference(), $reference, $reference->pairs)->map($x, $y);
            $inside = $u >= 0.0 && $u <= 1.0 && $v >= 0.0 && $v <= 1.0;
            $spots[] = ['reference' => $reference, 'x' => $u, 'y' => $v, 'sample' => $inside ? $this->photos->sample($reference, $u, $v, $radius) : null];
        }

        return $spots;
    }

    /** The part that is drawn, at the size in which zones are read. */
    private function field(Piece $piece): Field
    {
        $field = $this->photos->field($piece->reference());
        $crop = $piece->crop;

        return $crop === null ? $field : $field->within($crop['x'], $crop['y'], $crop['width'], $crop['height']);
    }
}
