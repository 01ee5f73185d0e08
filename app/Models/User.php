<?php

declare(strict_types=1);

namespace App\Models;

use App\Mail\PasswordReset;
use Database\Factories\UserFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Laravel\Sanctum\HasApiTokens;
use Prism\Colour\Lamp;
use Prism\Schools\DrawingHand;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property ?Carbon $email_confirmed_at  {@see \App\Studio\Account\Address}
 * @property string $password
 * @property array<string, string>|null $schools  by question, where this artist has answered it
 * @property DrawingHand $hand
 * @property ?int $calibration_id  the one in force
 * @property ?int $paper_id  of new pieces
 * @property Lamp $lamp  of new pieces, as are the next two
 * @property string $unit  mm or in
 * @property int $session_minutes
 * @property ?Carbon $begun_at  when the first visit was done with
 * @property ?array{key: string, confirmed: bool, used: int, codes: list<string>} $second_factor  {@see \App\Studio\Account\SecondFactor}
 * @property int $revision  counts on with whatever may change anything of this artist: {@see \App\Studio\Account\Revisions}
 * @property int $plan_revision  the same of what may change a plan
 * @property-read ?Paper $paper
 */
final class User extends Authenticatable
{
    /**
     * @use HasFactory<UserFactory>
     * @use HasApiTokens<Token>
     */
    use HasApiTokens, HasFactory;

    protected $table = 'users';

    protected $fillable = ['name', 'email', 'password', 'schools', 'hand', 'paper_id', 'lamp', 'unit', 'session_minutes', 'begun_at'];

    protected $hidden = ['password', 'remember_token', 'second_factor'];

    /** @var array<string, string> */
    protected $casts = ['password' => 'hashed', 'schools' => 'array', 'hand' => DrawingHand::class, 'lamp' => Lamp::class, 'begun_at' => 'datetime', 'email_confirmed_at' => 'datetime', 'second_factor' => 'encrypted:array'];

    protected $attributes = ['hand' => 'right', 'lamp' => 'daylight', 'unit' => 'mm', 'session_minutes' => 90, 'revision' => 0, 'plan_revision' => 0];

    /** @return HasMany<Piece, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class);
    }

    /**
     * The pencils this artist owns.
     *
     * @return BelongsToMany<Pencil, $this>
     */
    public function box(): BelongsToMany
    {
        return $this->belongsToMany(Pencil::class, 'box_pencils')->withPivot(['favourite', 'spare', 'length_mm', 'measured_at']);
    }

    /**
     * How many pencils this artist owns, and the slug of the usual paper: asked for with each page, and so in one go, without models of either.
     *
     * @return array{int, ?string}
     */
    public function boxAndPaper(): array
    {
        $row = DB::table('users')->where('users.id', $this->id)->leftJoin('papers', static fn (JoinClause $paper) => $paper->on('papers.id', '=', 'users.paper_id')->whereNull('papers.deleted_at'))
            ->first(['papers.slug', DB::raw('(select count(*) from box_pencils where box_pencils.user_id = users.id) as pencils')]);

        return [(int) ($row->pencils ?? 0), $row->slug ?? null];
    }

    /** @return HasMany<Swatch, $this> */
    public function swatches(): HasMany
    {
        return $this->hasMany(Swatch::class);
    }

    /** @return HasMany<Calibration, $this> */
    public function calibrations(): HasMany
    {
        return $this->hasMany(Calibration::class);
    }

    /** @return HasMany<Chart, $this> */
    public function charts(): HasMany
    {
        return $this->hasMany(Chart::class);
    }

    /** @return HasMany<Work, $this> */
    public function works(): HasMany
    {
        return $this->hasMany(Work::class);
    }

    /** @return HasMany<Range, $this> their own */
    public function ranges(): HasMany
    {
        return $this->hasMany(Range::class);
    }

    /** @return BelongsTo<Paper, $this> of new pieces */
    public function paper(): BelongsTo
    {
        return $this->belongsTo(Paper::class);
    }

    /** @return array{lamp: Lamp, unit: string, session_minutes: int} what a new piece begins with */
    public function habits(): array
    {
        return ['lamp' => $this->lamp, 'unit' => $this->unit, 'session_minutes' => $this->session_minutes];
    }

    /** @return HasMany<DrillRound, $this> */
    public function drillRounds(): HasMany
    {
        return $this->hasMany(DrillRound::class);
    }

    /** @return HasMany<KeptRecipe, $this> */
    public function keptRecipes(): HasMany
    {
        return $this->hasMany(KeptRecipe::class);
    }

    /** @return HasMany<Restore, $this> archives that were taken in */
    public function restores(): HasMany
    {
        return $this->hasMany(Restore::class);
    }

    /** @return HasMany<Paper, $this> their own */
    public function papers(): HasMany
    {
        return $this->hasMany(Paper::class);
    }

    public function sendPasswordResetNotification($token): void
    {
        Mail::to($this->email)->send(new PasswordReset($this->email, $token));
    }
}
