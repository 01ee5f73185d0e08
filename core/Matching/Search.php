<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Layering\Doubt;
use Prism\Layering\Passage;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\Cost\Cost;
use Prism\Matching\Search\Candidate;
use Prism\Matching\Search\Correction;
use Prism\Matching\Search\Corrector;
use Prism\Matching\Search\Easel;
use Prism\Matching\Search\Explorer;
use Prism\Matching\Search\Nearby;
use Prism\Matching\Search\NearestPairs;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Search\Query;
use Prism\Matching\Search\Refiner;
use Prism\Matching\Search\ShortStacks;
use Prism\Matching\Search\TrioFinder;
use Prism\Matching\Search\Variety;
use Prism\Matching\Search\Wide;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Schools\BlackAndWhite;

/**
 * Finds the few best, really different stacks for a target, from bare paper or from what lies there already: explored,
 * refined, judged again with their own doubt and warnings, and told apart.
 */
final class Search
{
    /** Candidates that are judged with their own doubt and warnings. */
    private const JUDGED = 12;

    /** Share of a stack's own doubt that counts when it is ranked: who builds in coats sees what comes, and mends some of it. */
    private const DOUBT_COUNTS = 0.6;

    /** Nor is pencil laid on bare paper for a gain smaller than this. */
    private const BARE_PAPER_GAIN = 1.2;

    /** A recipe with a warning gives way to one without that costs so much more, dE00. */
    private const WARNED = 1.5;

    /** Where the best misses by less, dE00, no rule is broken; nor for a gain smaller than this. */
    private const BREAKS_FROM = 2.5;

    private const BREAKS_FOR = 1.0;

    /** Black is taken where nothing else comes within so many L*. */
    private const BLACK_FROM_L = 4.0;

    private readonly RecipeMaker $maker;

    /** Of what was found among few pencils: another of the box may come nearer. */
    private readonly RecipeMaker $ofFew;

    private readonly TouchBook $book;

    private readonly ToothModel $model;

    private readonly ShortStacks $short;

    public function __construct(private readonly Predictor $predictor, Kit $kit, private readonly PairLibrary $library)
    {
        $this->model = $predictor->model;
        $this->maker = new RecipeMaker($predictor, $kit, true);
        $this->ofFew = new RecipeMaker($predictor, $kit);
        $this->book = new TouchBook($this->model, $library->ids, $kit);
        $this->short = new ShortStacks;
    }

    /**
     * @param  ?Kit  $only  the pencils that may be used; all of the library's if null
     * @return list<Recipe> best first, at most $limits->top; one that breaks a rule of the schools last, and only where that
     *                      comes much nearer
     *
     * @throws EmptyBox if no pencil may be used
     */
    public function find(Target $target, Limits $limits = new Limits, ?Kit $only = null): array
    {
        $easel = $this->easel($this->query($target, $limits, $only));
        [$ranked, $judged] = $this->judgedAgain($easel, (new Explorer($easel, $this->book, $this->library))->explore());
        $broken = $this->broken($easel, $ranked[0], $only);
        $bare = $this->model->bare()->look();
        $miss = $target->miss($bare->colour->L, $bare->colour->a, $bare->colour->b);
        $best = $ranked[0]->look->colour;
        if ($miss <= Target::BARE_PAPER || $miss <= $target->miss($best->L, $best->a, $best->b) + self::BARE_PAPER_GAIN) {
            // Ranked with the best of the others, before it.
            array_unshift($ranked, new Candidate(Sketch::of([]), $bare, min($easel->candidate(Sketch::of([]))->cost, $ranked[0]->cost)));
        }
        $most = $limits->top - ($broken === null || $limits->top < 2 ? 0 : 1);
        $recipes = array_map(static fn (Recipe $recipe): Recipe => $recipe->cured($judged), $this->proposed($easel, $ranked, $most));

        return $broken === null || $limits->top < 2 ? $recipes : [...$recipes, $broken];
    }

    /**
     * The least cost found by exploring, before doubt is looked at stack by stack: to measure the search by.
     *
     * @throws EmptyBox
     */
    public function bestCost(Target $target, Limits $limits = new Limits): float
    {
        return (new Explorer($this->easel($this->query($target, $limits)), $this->book, $this->library))->explore()[0]->cost;
    }

    /**
     * What to lay next over what lies there already, or to lift from it: what is believed to lie there is first reconciled with
     * what is seen. The first says to leave it, if it is within the eye's tolerance.
     *
     * @param  Stack  $present  what the artist believes was laid
     * @param  ?Lab  $seen  what it looks like now; null: as predicted
     * @return list<Correction> best first, at most $limits->top
     *
     * @throws EmptyBox
     * @throws \Prism\Layering\UnknownPencil if the present stack uses a pencil that the model does not know
     */
    public function correct(Stack $present, Target $target, Limits $limits = new Limits(maxLayers: 3), ?Kit $only = null, ?Lab $seen = null): array
    {
        return $this->corrector()->of($present, $seen, fn (Passage $ground): Query => $this->query($target, $limits, $only, $ground));
    }

    /**
     * As {@see correct()}, where what lies there is near: by one light layer or two, or not at all.
     *
     * @return list<Correction> best first, at most $limits->top
     *
     * @throws EmptyBox
     * @throws \Prism\Layering\UnknownPencil
     */
    public function glaze(Stack $present, Target $target, Limits $limits, ?Kit $only, ?Lab $seen): array
    {
        return $this->corrector()->glazed($present, $seen, fn (Passage $ground): Query => $this->query($target, $limits, $only, $ground));
    }

    /**
     * The one pencil that alone comes nearest, at its best pressure.
     *
     * @throws EmptyBox
     */
    public function nearestSingle(Target $target, Limits $limits = new Limits, ?Kit $only = null): Recipe
    {
        $easel = $this->easel($this->query($target, $limits->alone(), $only));

        return $this->made($easel, $this->judgedAgain($easel, [(new Explorer($easel, $this->book, $this->library))->singles()[0]])[0][0], $this->ofFew);
    }

    /**
     * Three neighbouring hues of the box as light, middle and dark of one form, and what they cost against the free choice.
     *
     * @throws EmptyBox
     */
    public function trio(Target $light, Target $middle, Target $dark, Limits $limits = new Limits, ?Kit $only = null): ?Trio
    {
        $targets = ['light' => $light, 'middle' => $middle, 'dark' => $dark];
        $misses = array_map(fn (Target $target): array => (new NearestPairs($this->library, $this->query($target, $limits, $only)))->missesAlone(), array_values($targets));
        $found = (new TrioFinder($this->book))->of([$misses[0], $misses[1], $misses[2]]);
        if ($found === null) {
            return null;
        }
        $pencils = array_map(fn (int $index): string => $this->library->ids[$index], $found);
        $three = $limits->of(2);
        $recipes = $free = [];
        foreach ($targets as $part => $target) {
            $recipes[$part] = $this->among($target, $three, $found, $found[count($recipes)]);
            $free[] = $this->find($target, $limits->of($limits->maxPencils), $only)[0]->difference->dE00;
        }
        $further = (array_sum(array_map(static fn (Recipe $recipe): float => $recipe->difference->dE00, $recipes)) - array_sum($free)) / count($free);

        return new Trio(['light' => $pencils[0], 'middle' => $pencils[1], 'dark' => $pencils[2]], ['light' => $recipes['light'], 'middle' => $recipes['middle'], 'dark' => $recipes['dark']], $further);
    }

    /**
     * What of the pair library comes anywhere near a target: of each pencil and pair the entry that comes nearest. The same by
     * all schools, so whoever asks by several may keep it.
     *
     * @throws EmptyBox
     */
    public function nearby(Target $target, ?Kit $only = null): Nearby
    {
        $query = $this->query($target, new Limits, $only);

        // Whatever a school rules out: another may have it.
        return (new NearestPairs($this->library, $query->with(array_values(array_diff($this->here($only), $query->allowed)))))->nearby();
    }

    /**
     * Many stacks for a target, for choosing pencils that serve several targets at once.
     *
     * @param  ?Nearby  $nearby  if it is known already, for the same pencils
     * @return list<Candidate> cheapest first, each of another set of pencils
     *
     * @throws EmptyBox
     */
    public function wide(Target $target, Limits $limits, ?Kit $only = null, ?Nearby $nearby = null): array
    {
        $nearby ??= $this->nearby($target, $only);

        return (new Wide($this->easel($this->query($target, $limits, $only)), $this->book, $this->library))->of($nearby);
    }

    /** Layers of `wide` with their pressures refined and laid in rounds, or a simpler stack of the same pencils. */
    public function settle(Target $target, Limits $limits, Sketch $sketch): Candidate
    {
        $easel = $this->easel($this->query($target, $limits));
        $refiner = new Refiner($easel, $this->book);

        return $refiner->inRounds($refiner->refine($easel->candidate($sketch), Refiner::NEAR));
    }

    /**
     * The best stacks of these pencils alone, explored for this one target: dearer than {@see settle()}.
     *
     * @param  list<int>  $pencils  by index
     * @param  bool  $brief  in half the time, and a little less sure to find the best
     * @return list<Candidate> cheapest first, in rounds where that is as near; none where none of the pencils may be used
     */
    public function explored(Target $target, Limits $limits, array $pencils, int $most, bool $brief = false): array
    {
        $query = $this->query($target, $limits);
        $allowed = array_values(array_intersect($query->allowed, $pencils));
        if ($allowed === []) {
            return [];
        }
        $easel = $this->easel($query->only($allowed));
        $refiner = new Refiner($easel, $this->book);

        return array_map($refiner->inRounds(...), array_slice((new Explorer($easel, $this->book, $this->library, $brief))->explore(), 0, $most));
    }

    /** A settled stack as an artist reads it. */
    public function recipe(Target $target, Limits $limits, Candidate $settled): Recipe
    {
        return $this->made($this->easel($this->query($target, $limits)), $settled);
    }

    /**
     * The best of three pencils in which the part's own is laid: who is told that it is the light, the middle or the dark looks for it there.
     *
     * @param  array{int, int, int}  $pencils  by index
     */
    private function among(Target $target, Limits $limits, array $pencils, int $own): Recipe
    {
        $query = $this->query($target, $limits);
        $easel = $this->easel($query->only(array_values(array_intersect($query->allowed, $pencils))));
        $found = array_filter((new Explorer($easel, $this->book, $this->library))->explore(), static fn (Candidate $candidate): bool => in_array($own, $candidate->sketch->pencils(), true));
        $best = array_shift($found) ?? $this->explored($target, $limits, [$own], 1)[0];

        return $this->made($easel, $best, $this->ofFew);
    }

    private function corrector(): Corrector
    {
        return new Corrector($this->predictor, $this->book, $this->library, $this->short);
    }

    private function easel(Query $query): Easel
    {
        return new Easel($this->model, $this->book, $query, $this->short);
    }

    /** @return list<int> pencils that lie there, whatever may be used of them */
    private function here(?Kit $only): array
    {
        return array_keys(array_filter($this->library->ids, static fn (string $id): bool => $only === null || $only->has(PencilId::of($id))));
    }

    /** @throws EmptyBox */
    private function query(Target $target, Limits $limits, ?Kit $only = null, ?Passage $ground = null): Query
    {
        $here = $this->here($only);
        $allowed = array_values(array_filter($here, fn (int $index): bool => Permitted::pencil($this->library->ids[$index], $this->book->coat($index)->kind, $target, $limits)));
        if ($allowed === [] && ! $limits->noBlack && $limits->schools->blackAndWhite !== BlackAndWhite::Never) {
            // A box of blacks alone is drawn with blacks.
            $allowed = $here;
        }
        if ($allowed === []) {
            throw new EmptyBox;
        }

        return new Query($target, $limits, Manner::of($limits, $target, $this->model), Cost::of($target, $limits, $this->book), $ground ?? $this->model->bare(), $ground === null, $allowed);
    }

    /**
     * The best of them with their own doubt in place of what is usual; one that carries a warning stands behind one without.
     *
     * @param  non-empty-list<Candidate>  $ranked
     * @return array{non-empty-list<Candidate>, list<Recipe>} cheapest first; and what was judged, as recipes
     */
    private function judgedAgain(Easel $easel, array $ranked): array
    {
        $own = $recipes = [];
        $seen = [];
        foreach (array_slice($ranked, 0, self::JUDGED) as $candidate) {
            $stack = (string) $easel->stack($candidate->sketch);
            if (isset($seen[$stack])) {
                continue;
            }
            $seen[$stack] = true;
            $recipes[] = $recipe = $this->made($easel, $candidate);
            $cost = $easel->cost($candidate->sketch, $candidate->look, self::DOUBT_COUNTS * Doubt::inRounds($recipe->prediction->sigma, count($candidate->sketch->layers), count($candidate->sketch->members)));
            $own[] = $candidate->costing($cost + self::WARNED * count($recipe->warnings));
        }

        return [[...Candidate::ranked($own), ...array_slice($ranked, self::JUDGED)], $recipes];
    }

    /**
     * The best of each kind as they are proposed. Two of them may come to the same in rounds: then another takes its place.
     *
     * @param  non-empty-list<Candidate>  $ranked  cheapest first
     * @return list<Recipe>
     */
    private function proposed(Easel $easel, array $ranked, int $most): array
    {
        $wanted = $most;
        $made = [];
        do {
            $recipes = [];
            $chosen = Variety::of($ranked, $wanted, $this->book);
            foreach ($chosen as $candidate) {
                $recipe = $made[spl_object_id($candidate)] ??= $this->inRounds($easel, $candidate);
                $recipes[(string) $recipe->stack] ??= $recipe;
            }
            $isAll = count($chosen) < $wanted++;
        } while (count($recipes) < $most && ! $isAll);

        return array_slice(array_values($recipes), 0, $most);
    }

    /** As it is proposed: in rounds, unless those bring a warning that it had not. */
    private function inRounds(Easel $easel, Candidate $candidate): Recipe
    {
        $plain = $this->made($easel, $candidate);
        $rounds = $this->made($easel, (new Refiner($easel, $this->book))->inRounds($candidate)->costing($candidate->cost));

        return count($rounds->warnings) <= count($plain->warnings) ? $rounds : $plain;
    }

    /** What only a broken rule reaches: a burnish, or black where nothing else is dark enough. */
    private function broken(Easel $easel, Candidate $best, ?Kit $only): ?Recipe
    {
        $query = $easel->query;
        $colour = $best->look->colour;
        $miss = $query->target->miss($colour->L, $colour->a, $colour->b);
        if ($miss < self::BREAKS_FROM) {
            return null;
        }
        $tries = [];
        if (! $query->manner->burnishes()) {
            $free = $this->easel($query->in($query->manner->burnished()));
            $refiner = new Refiner($free, $this->book);
            $members = $best->sketch->members;
            $last = count($members) - 1;
            if ($last >= 0) {
                $pressed = $free->candidate($best->sketch->with($last, [$members[$last][0], Manner::BURNISH_LAST, 1]));
                $tries[] = [$refiner->refine($pressed, Refiner::NEAR), $free, BrokenRule::burnish(...)];
            }
        }
        if ($colour->L - $query->target->colour->L > self::BLACK_FROM_L && ! $query->limits->noBlack && $query->limits->schools->blackAndWhite !== BlackAndWhite::Never) {
            $blacks = array_values(array_filter(array_keys($this->library->ids), fn (int $index): bool => $this->book->isBlack($index)
                && ! in_array($index, $query->allowed, true) && ($only === null || $only->has(PencilId::of($this->library->ids[$index])))));
            if ($blacks !== []) {
                $free = $this->easel($query->with($blacks));
                $tries[] = [(new Explorer($free, $this->book, $this->library))->explore()[0], $free, BrokenRule::black(...)];
            }
        }
        $found = null;
        $gained = self::BREAKS_FOR;
        foreach ($tries as [$candidate, $on, $rule]) {
            $seen = $candidate->look->colour;
            $gain = $miss - $query->target->miss($seen->L, $seen->a, $seen->b);
            if ($gain > $gained) {
                $gained = $gain;
                $found = $this->made($on, $candidate)->breaking($rule($gain));
            }
        }

        return $found;
    }

    private function made(Easel $easel, Candidate $candidate, ?RecipeMaker $by = null): Recipe
    {
        return ($by ?? $this->maker)->make($easel->stack($candidate->sketch), $easel->query->target, $candidate->cost);
    }
}
