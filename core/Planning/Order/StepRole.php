<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** What a step does in the order of the work; the order of the cases is that of the phases. */
enum StepRole: string
{
    /** What another medium lays, before anything else. */
    case Ground = 'ground';
    case Reserve = 'reserve';
    case Map = 'map';
    case Redraw = 'redraw';
    case Underlayer = 'underlayer';
    case Layer = 'layer';
    case Rub = 'rub';
    case Wash = 'wash';
    case Lift = 'lift';
    case Line = 'line';
    case Blend = 'blend';
    case Burnish = 'burnish';
    case Sparkle = 'sparkle';

    /** Whether it is done before any colour lies, and never again. */
    public function isPreparation(): bool
    {
        return $this->phase() < self::Layer->phase();
    }

    /** Lower comes first where the stacks leave a choice: what closes the paper waits for what does not. */
    public function phase(): int
    {
        return match ($this) {
            self::Ground, self::Reserve => 0,
            self::Map => 1,
            // A pencil goes to what it lies under and to what it lies over in one turn.
            self::Redraw, self::Underlayer, self::Layer, self::Rub, self::Lift => 2,
            self::Wash => 3,
            self::Line, self::Blend, self::Burnish => 4,
            self::Sparkle => 5,
        };
    }
}
