<?php

declare(strict_types=1);

use Brick\Math\Internal\CalculatorRegistry;
use RowTally\Core\Values\ShortFirst;

// Wherever the core is used: it comes with the autoloader.
CalculatorRegistry::set(new ShortFirst());
