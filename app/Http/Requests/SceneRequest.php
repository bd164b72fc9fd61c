<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Drawing\Look;
use App\Drawing\Palette;
use App\Models\Dataset;
use App\Store\PictureAsked;
use Closure;

/** A picture of one variable: laid out for the room that it has, or as a file in colours of choice. */
class SceneRequest extends PlotRequest
{
    use Compares;
    use ReadsClasses;

    private const WIDTH = 760;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            ...$this->classRules(),
            ...$this->compareRules(),
            // Of what is compared there may be several.
            ...($this->word('what') === null ? [] : ['of' => ['required', 'string', 'max:6000']]),
            'width' => ['nullable', 'integer', 'between:160,4000'],
            'look' => ['nullable', 'string', 'max:400'],
            'lane_order' => ['nullable', 'string', 'max:80'],
            'format' => ['nullable', 'string', 'in:scene,svg'],
            'palette' => ['nullable', 'string', 'in:' . implode(',', array_keys(Palette::ALL))],
            'heading' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            ...$this->compareMessages(),
            'width' => 'A picture is 160 to 4000 pixels wide.',
            'format' => 'A picture comes as one of: scene, svg.',
            'palette' => 'Pictures are in the colours of one of: ' . implode(', ', array_keys(Palette::ALL)) . '.',
        ];
    }

    public function asked(Dataset $dataset): PictureAsked
    {
        return new PictureAsked(
            $this->question($dataset),
            $this->compareQuestion($dataset),
            Look::ofWord($this->word('look') ?? ''),
            (float) ($this->word('width') ?? self::WIDTH),
            $this->word('lane_order') ?? '',
            $this->classReading(),
            $this->countColumns(),
        );
    }

    public function isFile(): bool
    {
        return $this->word('format') === 'svg';
    }

    public function palette(): Palette
    {
        $name = $this->word('palette');

        return Palette::named($name === 'dark' || $name === 'print' ? $name : 'light');
    }

    /** What is written above it in a file. */
    public function heading(): string
    {
        return $this->word('heading') ?? '';
    }
}
