<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What questions are made of: pencils as they lie on the artist's paper, colours of their photos, and chance that can be repeated. */
final class PracticeBox
{
    /** How a pencil is laid where its own colour is asked for. */
    private const HEAVY = '@80x3';

    /** A question that cannot be made after so many tries is not in this box. */
    private const TRIES = 400;

    private readonly Randomizer $chance;

    /** @var array<string, Lab> */
    private array $looks = [];

    /**
     * @param  array<string, string>  $names  number and name by pencil, of those that the model knows
     * @param  list<Lab>  $seen  colours of the artist's own photos
     * @param  int  $seed  the same gives the same questions
     * @param  list<SeenZone>  $zones  of those photos
     */
    public function __construct(private readonly ToothModel $model, private readonly array $names, private readonly array $seen, int $seed, private readonly array $zones = [])
    {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    public function look(string $stack): Lab
    {
        return $this->looks[$stack] ??= $this->model->draw(Stack::parse($stack))->lab();
    }

    public function coat(string $pencil): Lab
    {
        return $this->look($pencil.self::HEAVY);
    }

    /** By which it is called. */
    public function name(string $pencil): string
    {
        return $this->names[$pencil] ?? $pencil;
    }

    /**
     * So many different pencils, by chance.
     *
     * @param  bool  $all  or more, as many as there are
     * @return list<string>
     *
     * @throws PracticeRefused
     */
    public function pencils(int $count, bool $all = false): array
    {
        if (count($this->names) < $count) {
            throw new PracticeRefused(sprintf('This takes at least %d pencils with a colour; your box has %d. Put more in the box first.', $count, count($this->names)));
        }

        $shuffled = $this->chance->shuffleArray(array_map(strval(...), array_keys($this->names)));

        return $all ? $shuffled : array_slice($shuffled, 0, $count);
    }

    /** A colour to look at: of a photo, or of a pencil laid in some way. */
    public function colour(): Lab
    {
        if ($this->seen !== [] && $this->chance->getInt(0, 1) === 1) {
            return $this->seen[$this->chance->getInt(0, count($this->seen) - 1)];
        }
        [$pencil] = $this->pencils(1);

        return $this->look($pencil.['@30', '@50x2', '@65x3', self::HEAVY][$this->chance->getInt(0, 3)]);
    }

    /** @return list<SeenZone> of the artist's own photos */
    public function zones(): array
    {
        return $this->zones;
    }

    public function number(int $from, int $to): int
    {
        return $this->chance->getInt($from, $to);
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    public function shuffled(array $of): array
    {
        return $this->chance->shuffleArray($of);
    }

    /**
     * The first that chance brings and that can be asked without doubt.
     *
     * @param  \Closure(): ?Question  $make
     * @param  string  $refusal  why there is none
     *
     * @throws PracticeRefused
     */
    public function first(\Closure $make, string $refusal = 'Your box has no pencils that this can be asked of without doubt. Put more and different ones in it, or choose another drill.'): Question
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $question = $make();
            if ($question !== null) {
                return $question;
            }
        }
        throw new PracticeRefused($refusal);
    }
}
