<?php

declare(strict_types=1);

namespace Prism\Layering;

/** How a stack is made, by what governs its look most: for finding swatches again. */
enum Technique: string
{
    case Paper = 'paper';
    case Single = 'single';
    case Layers = 'layers';
    case Burnish = 'burnish';
    case Wash = 'wash';
    case Blend = 'blend';
    case Lift = 'lift';

    public static function of(Stack $stack): self
    {
        $kinds = array_map(static fn (Step $step): StepKind => $step->kind, $stack->steps);

        return match (true) {
            $stack->steps === [] => self::Paper,
            in_array(StepKind::Wash, $kinds, true) => self::Wash,
            in_array(StepKind::Lift, $kinds, true) => self::Lift,
            in_array(StepKind::Blend, $kinds, true) => self::Blend,
            count($stack->pencils()) === 1 => self::Single,
            array_filter($stack->steps, static fn (Step $step): bool => $step->isBurnish()) !== [] => self::Burnish,
            default => self::Layers,
        };
    }

    public function word(): string
    {
        return match ($this) {
            self::Paper => 'bare paper',
            self::Single => 'one pencil',
            self::Layers => 'layers',
            self::Burnish => 'burnished',
            self::Wash => 'washed',
            self::Blend => 'blended',
            self::Lift => 'lifted',
        };
    }
}
