<?php

declare(strict_types=1);

namespace App\Framework;

/**
 * Boots the traits of a model by the names of their methods alone. The framework looks for attributes at each of some four hundred methods
 * of each model in each request, a millisecond all told; nothing here is marked so.
 */
trait BootsByName
{
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = [];
        foreach (class_uses_recursive(static::class) as $trait) {
            $name = class_basename($trait);
            $boot = [static::class, "boot{$name}"];
            if (method_exists(static::class, "boot{$name}") && is_callable($boot)) {
                $boot();
            }
            if (method_exists(static::class, "initialize{$name}")) {
                static::$traitInitializers[static::class][] = "initialize{$name}";
            }
        }
    }
}
