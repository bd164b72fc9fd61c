<?php

declare(strict_types=1);

namespace App\Http;

use App\Drawing\Boxes;
use App\Drawing\BoxLook;
use App\Drawing\ClassesPicture;
use App\Drawing\Geometry;
use App\Drawing\LabelsPicture;
use App\Drawing\StackPicture;
use App\Drawing\StemsPicture;
use App\Drawing\Svg;
use App\Http\Requests\PictureRequest;
use App\Http\Resources\ClassesResource;
use App\Http\Resources\FrequencyRows;
use App\Http\Resources\PlotShapes;
use App\Http\Resources\StackResource;
use App\Models\Dataset;
use App\Models\Variable;
use App\Store\DrawVariable;
use App\Store\GroupedVariable;
use App\Store\ProfileVariables;
use App\Store\Question;
use App\Store\UnknownVariable;

/** Draws on the server what the page draws: the same geometry, asked for in the same words. */
final readonly class DrawPicture
{
    public function __construct(
        private DrawVariable $draw,
        private ProfileVariables $profile,
        private GroupedVariable $grouped,
        private DrawScenes $scenes,
    ) {}

    /**
     * @return string SVG
     *
     * @throws UnknownVariable
     */
    public function svg(Dataset $dataset, PictureRequest $request): string
    {
        $question = $request->question($dataset);
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        $name = $variable->nameWithUnit();
        $width = $request->width();

        if (in_array($request->picture(), DrawScenes::KINDS, true)) {
            $drawn = $this->scenes->of($request->picture(), $dataset, $request, $width);
            $one = $drawn[count($drawn) === 1 ? 0 : $request->column()] ?? throw UnknownVariable::noGroup($request->column());

            return Svg::of($one['scene'] ?? throw UnknownVariable::hasNothingToDraw($variable->name));
        }

        return match ($request->picture()) {
            'stack', 'boxes' => $this->stack($dataset, $question, $variable, $request),
            'stems' => $this->stems($dataset, $question, $name, $request),
            'labels' => $this->labels($dataset, $question, $variable, $request),
            default => $this->classes($dataset, $question, $name, $request),
        };
    }

    private function stack(Dataset $dataset, Question $question, Variable $variable, PictureRequest $request): string
    {
        $drawn = $this->draw->stack($dataset, $question) ?? throw UnknownVariable::hasNothingToDraw($variable->name);
        $stack = self::geometry((new StackResource($drawn))->resolve());
        $names = $this->names($dataset, $question);
        $order = $request->laneOrder(count($names));
        if ($request->picture() === 'boxes') {
            return Boxes::picture($stack->parts('lanes'), $stack->part('axis'), $names, $variable->nameWithUnit(), $order, BoxLook::ofWords($request->look()), $request->width());
        }
        $unit = $question->basis->countsUnit;
        $counted = $question->basis->counts === null ? 'rows' : $question->basis->counts . ($unit === null ? '' : " ({$unit})");

        return StackPicture::of($stack, $names, $variable->nameWithUnit(), $counted, $order, $request->asOutlines(), $request->width());
    }

    private function stems(Dataset $dataset, Question $question, string $name, PictureRequest $request): string
    {
        $stems = self::geometry(PlotShapes::stems($this->draw->stems($dataset, $question, $request->unit(), $request->lines(), $request->apart())));
        $column = $stems->parts('columns')[$request->column()] ?? throw UnknownVariable::noGroup($request->column());
        $name .= ', ' . $this->names($dataset, $question)[$request->column()];

        return in_array('turned', $request->look(), true) ? StemsPicture::turned($column, $name, $request->column()) : StemsPicture::written($column, $name, $stems->text('leaf_unit'));
    }

    private function labels(Dataset $dataset, Question $question, Variable $variable, PictureRequest $request): string
    {
        $frequencies = FrequencyRows::of($this->profile->answer($dataset, $question)->sheets[0]->frequencies) ?? throw UnknownVariable::hasNothingToDraw($variable->name);

        return LabelsPicture::of(self::geometry($frequencies), $this->names($dataset, $question), $variable->name, $request->look(), $request->width());
    }

    private function classes(Dataset $dataset, Question $question, string $name, PictureRequest $request): string
    {
        $profile = $this->grouped->profile($dataset, $question, $request->classReading(), $request->countColumns());
        if (!isset($profile->columns[$request->column()])) {
            throw UnknownVariable::noGroup($request->column());
        }

        return ClassesPicture::of(self::geometry((new ClassesResource($profile, $question, null))->resolve()), $request->column(), $name, $request->width());
    }

    /** @return list<string> */
    private function names(Dataset $dataset, Question $question): array
    {
        return $this->draw->names($dataset, $question);
    }

    /** @param array<mixed> $shape */
    private static function geometry(array $shape): Geometry
    {
        return Geometry::ofJson(json_encode($shape, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}
