<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/**
 * What a support is called in the shop, and what its tooth then is like until swatches on it say more: figures against cartridge,
 * between those that were fitted to the papers of sample studios. Sanded takes more layers than cartridge, cartridge more than
 * hot-pressed, film fewest.
 */
enum PaperKind: string
{
    case HotPressed = 'hot-pressed';
    case Board = 'board';
    case Cartridge = 'cartridge';
    case Rough = 'rough';
    case Sanded = 'sanded';
    case Film = 'film';

    public function label(): string
    {
        return match ($this) {
            self::HotPressed => 'Hot-pressed, smooth',
            self::Board => 'Board, nearly smooth',
            self::Cartridge => 'Cartridge, a middle tooth',
            self::Rough => 'Rough or cold-pressed',
            self::Sanded => 'Sanded',
            self::Film => 'Drafting film',
        };
    }

    /** What it asks of the hand. */
    public function sentence(): string
    {
        return match ($this) {
            self::HotPressed => 'Takes few layers, keeps fine edges.',
            self::Board => 'Takes a few layers more than hot-pressed, and lies flat.',
            self::Cartridge => 'Takes several layers; grain shows until it is filled.',
            self::Rough => 'Deep valleys: grain stays long, and light pressure leaves them open.',
            self::Sanded => 'Takes many layers, pale over dark too, and wears pencils down.',
            self::Film => 'Takes very few layers: plan each, and keep the hand light.',
        };
    }

    /** @return array{float, float, float} roughness, capacity and adhesion, as {@see Paper::of()} takes them */
    public function tooth(): array
    {
        return match ($this) {
            self::HotPressed => [0.65, 0.8, 1.0],
            self::Board => [0.8, 0.9, 1.0],
            self::Cartridge => [1.0, 1.0, 1.0],
            self::Rough => [1.15, 1.2, 1.0],
            self::Sanded => [1.2, 2.0, 1.1],
            self::Film => [0.3, 0.45, 0.8],
        };
    }

    /** As it comes, where nothing is said of its colour. */
    public function white(): Lab
    {
        return match ($this) {
            self::HotPressed, self::Board => Lab::of(96.0, -0.5, 0.9),
            self::Cartridge => Lab::of(95.4, -0.6, 1.5),
            self::Rough => Lab::of(95.0, -0.2, 2.6),
            self::Sanded => Lab::of(92.5, 0.4, 4.2),
            self::Film => Lab::of(94.0, -0.4, 0.8),
        };
    }
}
