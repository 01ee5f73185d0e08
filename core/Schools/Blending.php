<?php

declare(strict_types=1);

namespace Prism\Schools;

/** How the grain is closed, where the surface asks for it. */
enum Blending: string
{
    case Layers = 'layers';
    case Burnish = 'burnish';
    case Blender = 'blender';
    case Solvent = 'solvent';
    case Tissue = 'tissue';

    public function label(): string
    {
        return match ($this) {
            self::Layers => 'Layers only',
            self::Burnish => 'Burnish with a pencil',
            self::Blender => 'Colourless blender',
            self::Solvent => 'Solvent between layers',
            self::Tissue => 'Tissue or cotton',
        };
    }

    /** What it does to a drawing, in one sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::Layers => 'Only many light layers: the grain closes slowly and the paper stays open.',
            self::Burnish => 'The last layer is pressed hard on hard and shiny things: it closes the grain and ends the layering.',
            self::Blender => 'A colourless blender closes the grain of hard and shiny things at the end.',
            self::Solvent => 'A solvent wash after three layers or more floods the grain and gives tooth back; it must dry.',
            self::Tissue => 'Rub light layers with tissue as you go; what it does to the colour is too little to reckon with.',
        };
    }

    /** As far as it bears on which stacks are laid: rubbing with tissue changes none of them. */
    public function ofStacks(): self
    {
        return $this === self::Tissue ? self::Layers : $this;
    }

    /** As far as a surface bears it: what closes the grain at a stroke is for hard and shiny things, never for soft or fuzzy ones. */
    public function on(Surface $surface): self
    {
        return in_array($this, [self::Burnish, self::Blender], true) && $surface !== Surface::Hard ? self::Layers : $this;
    }
}
