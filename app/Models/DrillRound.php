<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A round of questions of one drill. Its questions are kept as they were asked: the box may be another by the time of the answer.
 *
 * @property string $id
 * @property int $user_id
 * @property string $kind
 * @property int $level  1 easy to 5 hard
 * @property list<array{asks: string, patches: list<array{label: string, colour: array{float, float, float}, ground: array{float, float, float}|null}>, options: list<array{id: string, label: string, colour: array{float, float, float}|null}>, right: list<string>, because: string, picture?: string, spots?: list<array{float, float}>}> $questions
 * @property list<array{answer: list<string>, right: bool}> $answers  of the first questions, in their order
 * @property int $right
 * @property Carbon|null $done_at
 * @property Carbon $created_at
 * @property-read User $user
 */
final class DrillRound extends Model
{
    use HasUlids;

    protected $table = 'drill_rounds';

    protected $fillable = ['kind', 'level', 'questions', 'answers', 'right', 'done_at'];

    protected $attributes = ['answers' => '[]', 'right' => 0];

    /** @var array<string, string> */
    protected $casts = ['questions' => 'array', 'answers' => 'array', 'done_at' => 'datetime'];

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
