<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Doubt;
use Prism\Layering\Predictor;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

/** What swatches have taught: hand, papers and pencils, how well they agree, and which of them look wrong. */
final readonly class Calibration
{
    private const FORMAT = 'prism-calibration-1';

    /** A swatch this many standard deviations of noise off, squared, is worth doing again. */
    private const SUSPICIOUS = 7.0;

    /** Mean squared residual of the studio for which the weights of {@see Doubt} were found, without the worst of its swatches. */
    private const USUAL_SQUARE = 0.142;

    /** Of all swatches the share that tells how a studio scatters: what was mixed up or misread stands at the end. */
    private const TRUSTED = 0.95;

    private const FEW_TO_JUDGE = 40;

    private const LEAST_SCATTER = 0.75;

    private const MOST_SCATTER = 1.6;

    /**
     * @param  array<string, array{before: float, after: float, swatches: int}>  $pencils  mean dE00 by pencil
     * @param  list<array{id: string, dE00: float}>  $suspicious  worst first
     * @param  ?string  $yardstick  the paper with most swatches
     * @param  float  $scale  scatter of these swatches, against the studio for which doubts were weighed
     * @param  array<string, true>  $rests  digests of the swatches it rests on
     */
    private function __construct(
        public Fit $fit,
        public array $pencils,
        public float $before,
        public float $after,
        public array $suspicious,
        public ?string $yardstick,
        public float $scale,
        private array $rests,
    ) {
    }

    /**
     * @param  list<Swatch>  $all
     * @param  list<Swatch>  $used
     * @param  list<float>  $before  dE00 by used swatch
     * @param  list<float>  $after
     * @param  list<float>  $squares  squared residual in standard deviations
     */
    public static function of(Fit $fit, array $all, array $used, array $before, array $after, array $squares): self
    {
        $pencils = [];
        $suspicious = [];
        foreach ($used as $i => $swatch) {
            foreach (array_unique(array_map(strval(...), $swatch->stack->pencils())) as $id) {
                $pencils[$id]['before'][] = $before[$i];
                $pencils[$id]['after'][] = $after[$i];
            }
            if ($squares[$i] > self::SUSPICIOUS) {
                $suspicious[] = ['id' => $swatch->id, 'dE00' => $after[$i]];
            }
        }
        usort($suspicious, static fn (array $a, array $b): int => $b['dE00'] <=> $a['dE00']);
        $rests = [];
        foreach ($all as $swatch) {
            $rests[self::digest($swatch)] = true;
        }

        return new self(
            $fit,
            array_map(static fn (array $errors): array => ['before' => self::mean($errors['before']), 'after' => self::mean($errors['after']), 'swatches' => count($errors['after'])], $pencils),
            self::mean($before),
            self::mean($after),
            $suspicious,
            $used === [] ? null : (string) array_key_first($fit->papers),
            self::scatter($squares),
            $rests,
        );
    }

    /** @return array<string, mixed> to be kept as JSON */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'hand' => $this->fit->hand->toArray(),
            'papers' => array_map(static fn (PaperFit $paper): array => $paper->toArray(), array_values($this->fit->papers)),
            'pencils' => array_map(static fn (PencilFit $pencil): array => $pencil->toArray(), $this->fit->pencils),
            'errors' => $this->pencils,
            'before' => $this->before,
            'after' => $this->after,
            'suspicious' => $this->suspicious,
            'yardstick' => $this->yardstick,
            'scale' => $this->scale,
            'rests' => array_map(strval(...), array_keys($this->rests)),
        ];
    }

    /**
     * @param  array<string, mixed>  $kept  as from {@see toArray()}
     * @param  Kit  $kit  pencils that are no more in it are left out
     *
     * @throws \UnexpectedValueException if it is of another format
     */
    public static function fromArray(array $kept, Kit $kit): self
    {
        if (($kept['format'] ?? null) !== self::FORMAT) {
            throw new \UnexpectedValueException('This calibration was kept in another format; calibrate again.');
        }
        $papers = $pencils = [];
        foreach ($kept['papers'] as $paper) {
            $papers[$paper['id']] = PaperFit::fromArray($paper);
        }
        foreach ($kit as $id => $pencil) {
            if (isset($kept['pencils'][$id])) {
                $pencils[$id] = PencilFit::fromArray($pencil, $kept['pencils'][$id]);
            }
        }

        return new self(
            new Fit(HandFit::fromArray($kept['hand']), $papers, $pencils),
            $kept['errors'], $kept['before'], $kept['after'], $kept['suspicious'], $kept['yardstick'], $kept['scale'],
            array_fill_keys($kept['rests'], true),
        );
    }

    /** The model on a paper: with the tooth that was found, or, where there were no swatches, the one it is declared with. */
    public function model(Paper $paper): ToothModel
    {
        $fitted = $this->fit->papers[$paper->id] ?? null;

        return $this->fit->model($fitted === null ? Tooth::of($paper) : $fitted->tooth());
    }

    /** Speaks of stacks on a paper, with its doubt. */
    public function predictor(Paper $paper): Predictor
    {
        $counts = array_map(static fn (array $pencil): int => $pencil['swatches'], $this->pencils);
        $known = match (true) {
            $paper->id === $this->yardstick => 0.0,
            isset($this->fit->papers[$paper->id]) => Doubt::FOUND_PAPER,
            default => Doubt::DECLARED_PAPER,
        };

        return new Predictor($this->model($paper), new Doubt($this->scale, $counts, $known));
    }

    /** The same with a hand that presses so much harder. */
    public function pressing(float $by): self
    {
        return new self($this->fit->withHand($this->fit->hand->pressing($by)), $this->pencils, $this->before, $this->after, $this->suspicious, $this->yardstick, $this->scale, $this->rests);
    }

    /** @param  array<string, PencilFit>  $pencils  beside those that it knows */
    public function withPencils(array $pencils): self
    {
        return new self(new Fit($this->fit->hand, $this->fit->papers, $this->fit->pencils + $pencils), $this->pencils, $this->before, $this->after, $this->suspicious, $this->yardstick, $this->scale, $this->rests);
    }

    /** Is there a swatch or a colour of this pencil? */
    public function knows(PencilId $pencil): bool
    {
        return isset($this->fit->pencils[(string) $pencil]);
    }

    /** The pencils of a box that can be predicted. */
    public function known(Kit $kit): Kit
    {
        return $kit->where(fn (Pencil $pencil): bool => $this->knows($pencil->id));
    }

    /** Was this swatch there already? */
    public function rests(Swatch $swatch): bool
    {
        return isset($this->rests[self::digest($swatch)]);
    }

    /**
     * A mean without the largest: two swatches under each other's name must not widen the doubt of all.
     *
     * @param  list<float>  $squares
     */
    private static function scatter(array $squares): float
    {
        if (count($squares) < self::FEW_TO_JUDGE) {
            return 1.0;
        }
        sort($squares);
        $trusted = array_slice($squares, 0, (int) floor(self::TRUSTED * count($squares)));

        return max(self::LEAST_SCATTER, min(self::MOST_SCATTER, sqrt(self::mean($trusted) / self::USUAL_SQUARE)));
    }

    private static function digest(Swatch $swatch): string
    {
        return hash('xxh64', json_encode([$swatch->paper, (string) $swatch->stack, $swatch->colour], JSON_THROW_ON_ERROR));
    }

    /** @param  list<float>  $values */
    private static function mean(array $values): float
    {
        return $values === [] ? 0.0 : array_sum($values) / count($values);
    }
}
