<?php

declare(strict_types=1);

namespace App\Console;

use RuntimeException;

/** The words of a command are off; the message says how, in one sentence. */
final class UnusableRequest extends RuntimeException {}
