<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Planning\PictureTarget;

/** A zone of the drawing beside what it is to become. */
final readonly class ZoneReview
{
    /** Light and dark that lie apart by less than this share of what they should are flat; and what they should at least, L*. */
    private const FLAT = 0.55;

    private const FORM = 10.0;

    /** What has chroma, and has lost so much of it that it is muddy. */
    private const COLOURED = 14.0;

    private const MUDDY = 0.5;

    /** Shares of a zone: what is true of it, and of all of it. */
    private const GOOD_PART = 0.25;

    private const ALL = 0.85;

    /**
     * @param  array{float, float}  $at  where it lies, shares of the reference's width and height
     * @param  non-empty-list<PartReview>  $parts  the largest first
     * @param  list<PictureTarget>  $narrow  its lines, and what is too small in the photo to be judged
     * @param  float  $dE00  mean over its parts
     * @param  float  $harm  how much it hurts the picture: by value, by area and by how much it draws the eye
     */
    private function __construct(public string $id, public string $name, public array $at, public array $parts, public array $narrow, public Difference $difference, public float $dE00, public PartState $state, public float $harm)
    {
    }

    /**
     * @param  array{float, float}  $at
     * @param  non-empty-list<PartReview>  $parts
     * @param  float  $weight  of the zone in the picture
     * @param  list<PictureTarget>  $narrow
     */
    public static function of(string $id, string $name, array $at, array $parts, Lab $paper, float $weight, array $narrow = []): self
    {
        usort($parts, static fn (PartReview $one, PartReview $other): int => $other->pixels <=> $one->pixels);
        $all = array_sum(array_map(static fn (PartReview $part): int => $part->pixels, $parts));
        $means = self::meansOf($parts);
        $difference = Difference::between($means['seen'], $means['wanted']);
        $dE00 = array_sum(array_map(static fn (PartReview $part): float => $part->difference->dE00 * $part->pixels / $all, $parts));
        $of = [];
        foreach ($parts as $part) {
            $of[$part->state->value] = ($of[$part->state->value] ?? 0.0) + $part->pixels / $all;
        }
        $share = static fn (PartState ...$states): float => array_sum(array_map(static fn (PartState $state): float => $of[$state->value] ?? 0.0, $states));
        // Parts that miss by little, this way and that, are no error of the zone.
        $isOff = abs($difference->dL) > PartState::VALUE_TOLD - 1.0 || $difference->dE00 > PartState::COLOUR_TOLD - 1.5;
        $state = match (true) {
            $share(PartState::Bare) > self::ALL => PartState::Bare,
            $share(PartState::Bare, PartState::Begun) > self::GOOD_PART => PartState::Begun,
            $share(PartState::Spoiled) > self::GOOD_PART => PartState::Spoiled,
            $share(PartState::Off) > self::GOOD_PART && $isOff => PartState::Off,
            default => PartState::Near,
        };

        return new self($id, $name, $at, $parts, $narrow, $difference, $dE00, $state, $weight * (abs($difference->dL) + 0.5 * $dE00));
    }

    /** @return non-empty-list<PartReview> its parts, the one first that does most harm: as far as it is off, over as much of the picture */
    public function worstFirst(): array
    {
        $harm = static fn (PartReview $part): float => $part->pixels * $part->seen->differenceTo($part->wanted);
        $parts = $this->parts;
        usort($parts, static fn (PartReview $one, PartReview $other): int => $harm($other) <=> $harm($one));

        return $parts;
    }

    /** @return array{seen: Lab, wanted: Lab} mean over its parts */
    public function means(): array
    {
        return self::meansOf($this->parts);
    }

    /**
     * @param  non-empty-list<PartReview>  $parts
     * @return array{seen: Lab, wanted: Lab}
     */
    private static function meansOf(array $parts): array
    {
        $all = array_sum(array_map(static fn (PartReview $part): int => $part->pixels, $parts));
        $sums = ['seen' => [0.0, 0.0, 0.0], 'wanted' => [0.0, 0.0, 0.0]];
        foreach ($parts as $part) {
            foreach (['seen' => $part->seen, 'wanted' => $part->wanted] as $of => $lab) {
                foreach ([$lab->L, $lab->a, $lab->b] as $i => $value) {
                    $sums[$of][$i] += $value * $part->pixels / $all;
                }
            }
        }

        return array_map(static fn (array $sum): Lab => Lab::of(...$sum), $sums);
    }

    /**
     * What is wrong with it, as one says it over the easel.
     *
     * @param  bool  $comesNearer  whether layers are told for some part of it
     */
    public function words(bool $comesNearer = false): string
    {
        $said = [match ($this->state) {
            PartState::Bare => 'not begun',
            // The paper that still shows has a hue and no chroma of its own: only the value is to be spoken of.
            PartState::Begun => $this->difference->dL < PartState::VALUE_TOLD ? 'begun' : sprintf('begun; still %s', Difference::between(Lab::of(50.0 + max(-50.0, min(50.0, $this->difference->dL)), 0.0, 0.0), Lab::of(50.0, 0.0, 0.0))->words),
            PartState::Near => $comesNearer ? 'near; a part of it can come nearer' : 'leave it: the eye sees no difference',
            PartState::Spoiled => sprintf('colour lies where paper was to stay; %s', $this->difference->words),
            PartState::Off => $this->difference->words,
        }];
        if ($this->state !== PartState::Bare) {
            foreach ($this->parts as $part) {
                if ($this->state !== PartState::Near && $part->state === PartState::Bare && $part->role->isOfForm() && count($this->parts) > 1) {
                    $said[] = sprintf('its %s part is not begun', $part->role->label());
                }
            }
            if ($this->state !== PartState::Near && $this->isFlat()) {
                $said[] = 'flat: light and dark lie too near together';
            }
            if ($this->state === PartState::Off && $this->isMuddy()) {
                $said[] = 'muddy: its colour is nearly gone';
            }
        }

        return implode('; ', $said);
    }

    /** Most of its colour is gone, and not for want of layers. */
    private function isMuddy(): bool
    {
        $muddy = 0;
        $all = 0;
        foreach ($this->parts as $part) {
            $all += $part->pixels;
            $muddy += $part->wanted->chroma() >= self::COLOURED && $part->seen->chroma() < self::MUDDY * $part->wanted->chroma() && $part->seen->L <= $part->wanted->L + PartState::VALUE_TOLD ? $part->pixels : 0;
        }

        return $muddy > 0.5 * $all;
    }

    private function isFlat(): bool
    {
        $form = array_values(array_filter($this->parts, static fn (PartReview $part): bool => $part->role->isOfForm()));
        if (count($form) < 2) {
            return false;
        }
        $wanted = array_map(static fn (PartReview $part): float => $part->wanted->L, $form);
        $seen = array_map(static fn (PartReview $part): float => $part->seen->L, $form);
        $should = max($wanted) - min($wanted);

        return $should >= self::FORM && max($seen) - min($seen) < self::FLAT * $should;
    }
}
