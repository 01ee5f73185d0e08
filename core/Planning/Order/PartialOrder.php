<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** What must come before what, gathered rule by rule: one that would close a circle is left out, for the earlier ones weigh more. */
final class PartialOrder
{
    /** @var list<Precedence> */
    private array $rules = [];

    /** @var array<int, list<int>> for each step those that must follow it */
    private array $following = [];

    public function add(int $before, int $after, string $why): void
    {
        if ($before === $after || in_array($after, $this->following[$before] ?? [], true) || $this->leadsTo($after, $before)) {
            return;
        }
        $this->following[$before][] = $after;
        $this->rules[] = new Precedence($before, $after, $why);
    }

    /** @return list<Precedence> */
    public function rules(): array
    {
        return $this->rules;
    }

    private function leadsTo(int $from, int $to): bool
    {
        $open = [$from];
        $seen = [$from => true];
        while ($open !== []) {
            $at = array_pop($open);
            foreach ($this->following[$at] ?? [] as $next) {
                if ($next === $to) {
                    return true;
                }
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $open[] = $next;
                }
            }
        }

        return false;
    }
}
