<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use UnitEnum;

/**
 * Of a model whose attributes are read thousands of times to tell one picture: each is cast once, and anew only when what lies under it has
 * changed. Eloquent itself decodes a list at every look. Not for models with secrets: what is decrypted should not lie about.
 *
 * @mixin Model
 */
trait CastsOnce
{
    /** @var array<string, array{mixed, mixed}> what lay under it, and what became of it */
    private array $cast = [];

    /** @param  string  $key */
    public function getAttribute($key): mixed
    {
        $raw = $this->attributes[$key] ?? null;
        if ($raw === null) {
            return parent::getAttribute($key);
        }
        $cast = $this->cast[$key] ?? null;
        if ($cast !== null && $cast[0] === $raw) {
            return $cast[1];
        }
        $value = parent::getAttribute($key);
        // Never what somebody could change without the model's knowing.
        if (is_scalar($value) || is_array($value) || $value instanceof UnitEnum) {
            $this->cast[$key] = [$raw, $value];
        }

        return $value;
    }
}
