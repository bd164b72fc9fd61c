<?php

declare(strict_types=1);

namespace App\Framework;

/**
 * Boots the traits of a model by the names of their methods alone, and of the framework's own only what does something here. It looks for
 * attributes (scopes, observers, methods that boot) at each of some four hundred methods of each model in each request, a millisecond all
 * told; nothing here is marked so.
 */
trait BootsByName
{
    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = ['initializeHasAttributes'];
        foreach (class_uses(static::class) as $trait) {
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
