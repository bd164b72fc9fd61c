<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Requests\KeepPictureRequest;
use App\Http\Requests\KeepRequest;
use App\Models\Dataset;
use App\Store\GroupedVariable;

/** What a kept item rests on, in the core's words and by the question it was asked with. */
final readonly class BasisInWords
{
    public function __construct(private GroupedVariable $grouped) {}

    public function of(Dataset $dataset, KeepRequest|KeepPictureRequest $request, bool $isOfClasses): string
    {
        $question = $request->question($dataset);
        $words = $question->basis->words();
        if (!$isOfClasses) {
            return $words;
        }
        $profile = $this->grouped->profile($dataset, $question, $request->classReading(), $request->countColumns());

        return $words . ' ' . $profile->words(array_slice($request->countNames($dataset) ?? [], 1));
    }
}
