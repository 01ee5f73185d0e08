<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

/** A pencil that is to be used, and is not. */
final readonly class MustTerm implements Term
{
    private const MISSING = 12.0;

    /** @param  list<int>  $must  by index */
    private function __construct(private array $must)
    {
    }

    /**
     * @param  list<string>  $must
     * @param  list<string>  $ids
     */
    public static function among(array $must, array $ids): ?self
    {
        $indices = array_keys(array_intersect($ids, $must));

        return $indices === [] ? null : new self($indices);
    }

    public function of(Laid $laid): float
    {
        $used = array_column($laid->members, 0);

        return self::MISSING * count(array_diff($this->must, $used));
    }

    public function mostGain(): float
    {
        return 0.0;
    }
}
