<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Colour\Lab;

/** What the colours of one zone are called, so that no two are called alike: "light", "darker accent", "accent 2". */
final class TargetNames
{
    /**
     * @param  array<array-key, array{TargetRole, Lab}>  $colours
     * @return array<array-key, string> by the same keys
     */
    public static function of(array $colours): array
    {
        $alike = $names = [];
        foreach ($colours as $key => [$role]) {
            $alike[$role->value][] = $key;
            $names[$key] = $role->label();
        }
        foreach ($alike as $keys) {
            usort($keys, static fn (int|string $a, int|string $b): int => $colours[$b][1]->L <=> $colours[$a][1]->L);
            foreach (count($keys) > 1 ? $keys : [] as $i => $key) {
                $label = $colours[$key][0]->label();
                $names[$key] = count($keys) === 2 ? ($i === 0 ? "lighter $label" : "darker $label") : sprintf('%s %d', $label, $i + 1);
            }
        }

        return $names;
    }
}
