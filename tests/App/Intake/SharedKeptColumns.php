<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\SharedSink;
use RuntimeException;

/** Keeps what is read, of two processes what this one reads. */
final class SharedKeptColumns implements SharedSink
{
    /** @var array<int, int> how many chunks of each column */
    public array $columns = [];
    public bool $wasShared = false;

    public function __construct(private readonly ?string $failure = null) {}

    public function begin(array $variables): void {}

    public function beforeSharing(): void
    {
        $this->wasShared = true;
    }

    public function write(int $number, array $columns): void
    {
        foreach (array_keys($columns) as $position) {
            $this->columns[$position] = ($this->columns[$position] ?? 0) + 1;
        }
    }

    /** Only the copy is asked to. */
    public function flush(): void
    {
        if ($this->failure !== null) {
            throw new RuntimeException($this->failure);
        }
    }
}
