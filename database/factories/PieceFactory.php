<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Database\Eloquent\Factories\Factory;

/** @extends Factory<Piece> */
final class PieceFactory extends Factory
{
    protected $model = Piece::class;

    public function definition(): array
    {
        return [
            'user_id' => User::factory(),
            'paper_id' => Paper::query()->where('slug', 'harbour-cartridge')->value('id'),
            'title' => fake()->words(2, true),
        ];
    }
}
