<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;

/** What is practised, a few minutes at a time. */
enum DrillKind: string
{
    case Value = 'value';
    case Surrounded = 'surrounded';
    case Rank = 'rank';
    case Family = 'family';
    case Lean = 'lean';
    case Complement = 'complement';
    case Next = 'next';
    case Order = 'order';
    case Coats = 'coats';
    case Muddy = 'muddy';
    case Designate = 'designate';
    case Squint = 'squint';
    case Zone = 'zone';

    public function label(): string
    {
        return match ($this) {
            self::Value => 'Value of a patch',
            self::Surrounded => 'Value where the ground deceives',
            self::Rank => 'Five by value',
            self::Family => 'Family of a patch',
            self::Lean => 'Which way it leans',
            self::Complement => 'The complement',
            self::Next => 'Which pencil next',
            self::Order => 'Which was laid first',
            self::Coats => 'How many coats',
            self::Muddy => 'Which two turn muddy',
            self::Designate => 'Light, middle, dark',
            self::Squint => 'Squint at your photo',
            self::Zone => 'A zone by pencil',
        };
    }

    /** What it trains, in a sentence. */
    public function says(): string
    {
        return match ($this) {
            self::Value => 'Read the value step of a colour, whatever its hue.',
            self::Surrounded => 'The same on grounds that make it look lighter or darker than it is.',
            self::Rank => 'Put five colours of different hues in order, lightest first.',
            self::Family => 'Name the family, as the roll does.',
            self::Lean => 'Say to which neighbour a colour leans.',
            self::Complement => 'Find the pencil of your box that lies opposite.',
            self::Next => 'From what lies there to what is wanted: one more layer.',
            self::Order => 'Two pencils in either order: tell which lies underneath.',
            self::Coats => 'Tell how often a pencil was laid.',
            self::Muddy => 'See before laying which pair goes dull.',
            self::Designate => 'Give three pencils to light, middle and dark, by value alone.',
            self::Squint => 'Put five zones of your own photo in order by value.',
            self::Zone => 'Find the pencils for light, middle and dark of a zone of your photo.',
        };
    }

    /** What may be said of a colour that is shown, to who does not see it well, without telling the answer. */
    public function words(Lab $colour): string
    {
        $appearance = Appearance::of($colour);
        $step = sprintf('step %d', $appearance->valueStep);

        return match ($this) {
            self::Value, self::Surrounded, self::Rank, self::Designate, self::Squint => $appearance->family->word(),
            self::Family, self::Lean => sprintf('%s, %s', $appearance->character->value, $step),
            default => sprintf('%s, %s', $appearance->family->word(), $step),
        };
    }

    /** Whether an answer is an order and not one choice. */
    public function isOrder(): bool
    {
        return in_array($this, [self::Rank, self::Designate, self::Squint, self::Zone], true);
    }

    /** Whether answers are shown as colours; else they are places of a photo. */
    public function showsColours(): bool
    {
        return $this !== self::Squint;
    }
}
