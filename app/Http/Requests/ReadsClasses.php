<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Store\QuestionOfWords;
use App\Store\UnknownVariable;
use App\Store\Words;
use Closure;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\StatedLimits;

/** The words about labels that are classes: what their limits stand for, what was amended, and a column of counts for each group. */
trait ReadsClasses
{
    /** @return array<string, list<string|Closure>> */
    protected function classRules(): array
    {
        return self::rulesOf(Words::ofClasses($this->said()));
    }

    public function classReading(): ClassReading
    {
        $amend = $this->word('amend');

        $cumulative = $this->word('cumulative');

        return new ClassReading(
            $this->enum('limits', StatedLimits::class),
            $amend === null ? null : Amendments::ofWord($amend),
            isCumulative: $cumulative === null ? null : $cumulative === 'yes',
        );
    }

    /** @return list<string> keys of variables */
    public function countColumns(): array
    {
        return QuestionOfWords::list($this->string('count_columns')->toString());
    }

    /** @return list<string>|null what the columns are called, overall first; null where groups are made otherwise */
    public function countNames(Dataset $dataset): ?array
    {
        $keys = $this->countColumns();

        return $keys === [] ? null : ['Overall', ...array_map(static fn(string $key): string => ($dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key))->name, $keys)];
    }
}
