<?php

declare(strict_types=1);

namespace App\Store\Changes;

/** A made variable keeps its values as they are and follows no more. */
final readonly class FreezeVariable implements Change
{
    public function __construct(private string $key) {}

    public function kind(): string
    {
        return 'freeze-variable';
    }

    public function apply(DraftRevision $draft): string
    {
        $variable = $draft->variable($this->key);
        $made = $variable->made;
        if ($made === null || $made['frozen']) {
            throw ChangeRefused::because('not-following', "“{$variable->name}” follows no other variable.", 'a made variable', 'There is nothing to freeze.');
        }
        $variable->made = [...$made, 'frozen' => true];
        $draft->describe($variable);

        return "{$variable->name} frozen: it no longer follows {$made['formula']}";
    }
}
