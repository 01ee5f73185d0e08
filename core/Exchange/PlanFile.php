<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Lab;
use Prism\Layering\NotationError;
use Prism\Layering\Stack;

/** What a plan.json says of the colours of a picture. */
final readonly class PlanFile
{
    private const FORMAT = 'prism-plan-2';

    /**
     * @param  array<string, string>  $names  of zones, by id
     * @param  array<string, Lab>  $drawn  what colours are to become, by id
     * @param  array<string, Stack>  $stacks  what is laid for them, by id
     */
    private function __construct(public array $names, public array $drawn, public array $stacks)
    {
    }

    /** @throws \InvalidArgumentException with what is wrong, and where */
    public static function read(string $json): self
    {
        $plan = json_decode($json, true);
        if (! is_array($plan) || ($plan['format'] ?? null) !== self::FORMAT || ! is_array($plan['zones'] ?? null)) {
            throw new \InvalidArgumentException(sprintf('The plan is no %s; write one with prism:plan.', self::FORMAT));
        }
        $names = $drawn = $stacks = [];
        foreach ($plan['zones'] as $n => $zone) {
            if (! is_array($zone) || ! is_string($zone['id'] ?? null) || ! is_string($zone['name'] ?? null) || ! is_array($zone['parts'] ?? null)) {
                throw new \InvalidArgumentException(sprintf('Zone %d of the plan has no id, name or parts.', $n + 1));
            }
            $names[$zone['id']] = $zone['name'];
            foreach ($zone['parts'] as $part) {
                foreach (is_array($part) && is_array($part['targets'] ?? null) ? $part['targets'] : [] as $target) {
                    $fitted = is_array($target) ? $target['fitted'] ?? $target : null;
                    if (! is_array($fitted) || ! is_string($target['id'] ?? null) || ! is_numeric($fitted['L'] ?? null) || ! is_numeric($fitted['a'] ?? null) || ! is_numeric($fitted['b'] ?? null)) {
                        throw new \InvalidArgumentException(sprintf('Zone %s of the plan has a colour without id, or without L, a and b.', $zone['id']));
                    }
                    $drawn[$target['id']] = Lab::of((float) $fitted['L'], (float) $fitted['a'], (float) $fitted['b']);
                    try {
                        $stacks[$target['id']] = is_string($target['steps'] ?? null) && $target['steps'] !== '' ? Stack::parse($target['steps']) : Stack::of();
                    } catch (NotationError $error) {
                        throw new \InvalidArgumentException(sprintf('Colour %s of the plan: %s', $target['id'], $error->getMessage()));
                    }
                }
            }
        }
        if ($names === []) {
            throw new \InvalidArgumentException('The plan has no zones.');
        }

        return new self($names, $drawn, $stacks);
    }
}
