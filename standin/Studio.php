<?php

declare(strict_types=1);

namespace Standin;

use Prism\Colour\Lab;
use Prism\Colour\Spectrum;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;

/** A whole simulated studio: its leads, its papers, its hand. Clearly no real one: it makes sample data and tries the engine. */
final class Studio
{
    /** Depth of the valleys and what they hold, for papers of the sample studio. */
    private const TOOTH = ['harbour-cartridge' => [1.0, 1.0], 'slipway-smooth' => [0.74, 0.8], 'breakwater-sanded' => [1.25, 1.8], 'fog-toned' => [0.95, 1.0]];

    /** How far a paper's tooth is from what its kind has, in logarithms, one standard deviation. */
    private const OTHER_TOOTH = 0.08;

    /** Points of drawn paper are so far apart, mm. */
    private const GRAIN_MM = 0.25;

    /** So many passages that were drawn last are remembered. */
    private const REMEMBERED = 96;

    /** A colour that somebody read off its own swatch is this near to what it looks like, dE00. */
    private const READ_WITHIN = 12.0;

    /** How many leads it had before it was handed others. */
    private readonly int $known;

    /** @var array<string, Sheet> */
    private array $sheets = [];

    /** @var array<string, list<array{float, float, float}>> what was drawn last, point by point */
    private array $lying = [];

    /** @param  array<string, Lead>  $leads  by RANGE:NUMBER */
    private function __construct(private array $leads, private readonly string $character, private readonly float $weight, private readonly float $shake)
    {
        $this->known = count($leads);
    }

    /**
     * @param  array<string, array{coat: Spectrum, wax: bool, opacity: string}>  $pencils  by RANGE:NUMBER
     * @param  string  $character  seed of what its leads are besides their colour
     * @param  float  $weight  how heavy its hand is
     */
    public static function of(array $pencils, string $character = 'harbour', float $weight = 1.0, float $shake = 0.025): self
    {
        $leads = [];
        foreach ($pencils as $id => ['coat' => $coat, 'wax' => $wax, 'opacity' => $opacity]) {
            $leads[$id] = Lead::of($character.$id, $coat, $wax, $opacity);
        }

        return new self($leads, $character, $weight, $shake);
    }

    /**
     * Takes a pencil in hand that it does not have; what it is besides its colour comes from its name.
     *
     * @param  ?Spectrum  $coat  null if nobody said what colour it is: the number on its barrel makes it one, and it stays the same
     *                           pencil when somebody reads that colour and says it
     */
    public function meet(string $id, ?Spectrum $coat, bool $wax, string $opacity): void
    {
        if (isset($this->leads[$id])) {
            return;
        }
        $dice = new Dice($this->character.$id.' colour');
        $ids = array_slice(array_keys($this->leads), 0, $this->known);
        $made = Lead::between($this->character.$id, $this->leads[$ids[(int) ($dice->uniform() * $this->known)]], $this->leads[$ids[(int) ($dice->uniform() * $this->known)]], $wax);
        $isMade = $coat === null || $made->looks()->toLab()->differenceTo($coat->toLab()) < self::READ_WITHIN;
        $this->leads[$id] = $isMade ? $made : Lead::of($this->character.$id, $coat, $wax, $opacity);
    }

    /**
     * Lays a paper on the desk. One that it does not have is about as deep as is said, and holds about as much: the rest comes from its name.
     *
     * @param  float  $depth  of the valleys, 1 for cartridge
     */
    public function paper(string $slug, Lab $colour, float $depth = 1.0, float $holds = 1.0): void
    {
        $dice = new Dice($this->character.$slug);
        [$depth, $holds] = self::TOOTH[$slug] ?? [$depth * exp(self::OTHER_TOOTH * $dice->normal()), $holds * exp(self::OTHER_TOOTH * $dice->normal())];
        $this->sheets[$slug] = Sheet::of(Spectrum::fromLab($colour), $depth, $holds, $slug);
    }

    /**
     * Fills the fields of a chart on a paper that lies there.
     *
     * @param  list<array{float, float, float, float}>  $blacks  printed rectangles, mm
     * @param  list<array{number: int, x: float, y: float, width: float, height: float, stack: Stack, stripe: ?array{float, float, float, float}}>  $fields
     * @param  ?\Closure(float): void  $progress
     */
    public function fill(string $paper, Lab $white, float $width, float $height, array $blacks, array $fields, string $seed, ?\Closure $progress = null): ChartPhoto
    {
        $photo = new ChartPhoto($width, $height, $white);
        foreach ($blacks as $black) {
            $photo->ink(...$black);
        }
        foreach ($fields as $done => $field) {
            if ($progress !== null) {
                $progress($done / count($fields));
            }
            $photo->number($field['x'], $field['y'] - 3.4, $field['number']);
            $drawn = fn (Sheet $sheet): array => Drawing::texture($field['stack'], $sheet, $this->leads, $seed.$field['number'], $this->weight, $this->shake);
            $photo->patch($field['x'], $field['y'], $field['width'], $field['height'], $drawn($this->sheets[$paper]));
            if ($field['stripe'] !== null) {
                $photo->patch(...$field['stripe'], texture: $drawn($this->sheets[$paper]->printed(ChartPhoto::INK)));
            }
        }

        return $photo;
    }

    /**
     * Draws a whole picture on a sheet with a margin round it.
     *
     * @param  float  $width  of the drawing, mm
     * @param  float  $margin  of bare paper round it, mm
     * @param  string  $lies  which colours lie where, three bytes a pixel: the two that it lies between, counted from 1 (0: none), and how far it
     *                        is on the way from the first to the second, of 255
     * @param  array<int, Stack>  $stacks  by number of the colour, from 1; what has none stays paper
     */
    public function picture(string $paper, Lab $white, float $width, float $height, float $margin, int $columns, int $rows, string $lies, array $stacks, string $seed, int $pixels = 1400): ChartPhoto
    {
        $sheet = new ChartPhoto($width + 2.0 * $margin, $height + 2.0 * $margin, $white, $pixels);
        $bare = array_fill(0, Sheet::SIZE ** 2, Srgb::linear($white));
        $textures = array_map(fn (Stack $stack): array => count($stack) === 0 ? $bare : $this->lying($paper, $stack, $seed), $stacks);
        $sheet->picture($margin, $margin, $width, $height, static function (float $x, float $y) use ($width, $height, $columns, $rows, $lies, $textures, $bare): array {
            $at = 3 * (min($rows - 1, (int) ($y / $height * $rows)) * $columns + min($columns - 1, (int) ($x / $width * $columns)));
            [$u, $v] = [(int) ($x / self::GRAIN_MM), (int) ($y / self::GRAIN_MM)];
            // Each patch of the sheet is turned to another side, or one would see where they begin.
            $by = (intdiv($u, Sheet::SIZE) * 7919 + intdiv($v, Sheet::SIZE) * 104729) % 1009;
            $point = (($v + 5 * $by) % Sheet::SIZE) * Sheet::SIZE + ($u + 11 * $by) % Sheet::SIZE;
            $one = ($textures[ord($lies[$at])] ?? $bare)[$point];
            $other = ($textures[ord($lies[$at + 1])] ?? $bare)[$point];
            $share = ord($lies[$at + 2]) / 255.0;

            return [$one[0] + $share * ($other[0] - $one[0]), $one[1] + $share * ($other[1] - $one[1]), $one[2] + $share * ($other[2] - $one[2])];
        });

        return $sheet;
    }

    /**
     * A stack as it lies on a sheet: the same each time one looks.
     *
     * @return list<array{float, float, float}> linear light, point by point
     */
    private function lying(string $paper, Stack $stack, string $seed): array
    {
        $key = "$paper $seed$stack";
        if (! isset($this->lying[$key])) {
            if (count($this->lying) >= self::REMEMBERED) {
                array_shift($this->lying);
            }
            $this->lying[$key] = Drawing::texture($stack, $this->sheets[$paper], $this->leads, $seed.$stack, $this->weight, $this->shake);
        }

        return $this->lying[$key];
    }

    /** How uneven a drawn stack is, point by point: the spread of L*, one standard deviation. */
    public function grain(string $paper, Stack $stack, string $seed): float
    {
        $L = array_map(
            static fn (array $light): float => Srgb::linearToLab(...$light)->L,
            Drawing::texture($stack, $this->sheets[$paper], $this->leads, $seed, $this->weight, $this->shake),
        );
        $mean = array_sum($L) / count($L);

        return sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $L)) / count($L));
    }

    /** Draws a stack on a paper that lies there, and reads it. */
    public function draw(string $paper, Stack $stack, string $seed): Lab
    {
        return Drawing::of($stack, $this->sheets[$paper], $this->leads, $seed, $this->weight, $this->shake);
    }
}
