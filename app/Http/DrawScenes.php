<?php

declare(strict_types=1);

namespace App\Http;

use App\Drawing\DotsScene;
use App\Drawing\PointsScene;
use App\Drawing\Scene;
use App\Drawing\SlopesScene;
use App\Drawing\StepsScene;
use App\Http\Requests\PlotRequest;
use App\Models\Dataset;
use App\Store\DrawVariable;
use App\Store\Question;
use App\Store\UnknownVariable;
use RowTally\Core\Plots\NormalQq;
use RowTally\Core\Plots\OrderedStrip;

/** The pictures that are scenes, by their names: one more is a line here. */
final readonly class DrawScenes
{
    public const KINDS = ['dots', 'qq', 'strips', 'slopes', 'steps'];

    public function __construct(private DrawVariable $draw) {}

    /**
     * @return list<array{name: string, scene: Scene|null, why: string|null}> one for each group where each has its own, or one; why there is none
     *
     * @throws UnknownVariable
     */
    public function of(string $kind, Dataset $dataset, PlotRequest $request, float $width): array
    {
        $question = $request->question($dataset);
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);
        $name = $variable->nameWithUnit();
        $names = $this->draw->names($dataset, $question);
        $of = static fn(int $lane): string => count($names) > 1 ? $names[$lane] : '';

        return match ($kind) {
            'dots' => [self::told($names[0], DotsScene::of($this->draw->dots($dataset, $question), $names, $name, $width), 'has no values that can be drawn')],
            'qq' => array_map(
                static fn(NormalQq $plot, int $lane): array => self::told($names[$lane], PointsScene::qq($plot, $name, $of($lane), $lane, $width), 'needs at least 2 values, and whole counts'),
                $plots = $this->draw->qq($dataset, $question),
                array_keys($plots),
            ),
            'strips' => $this->strips($dataset, $question, $names, $name, $of, $width),
            'slopes' => [$this->slopes($dataset, $question, $request->with(), $width)],
            default => [self::told($names[0], StepsScene::of($this->draw->steps($dataset, $question), $names, $name, $width), 'has no values that can be drawn')],
        };
    }

    /**
     * @param list<string>          $names
     * @param callable(int): string $of
     *
     * @return list<array{name: string, scene: Scene|null, why: string|null}>
     */
    private function strips(Dataset $dataset, Question $question, array $names, string $name, callable $of, float $width): array
    {
        $strips = $this->draw->strips($dataset, $question);
        $axis = PointsScene::axisOfStrip($strips[0]);

        return array_map(
            static fn(OrderedStrip $strip, int $lane): array => self::told($names[$lane], PointsScene::strip($strip, $axis, $name, $of($lane), $lane, $width), 'has no values'),
            $strips,
            array_keys($strips),
        );
    }

    /** @return array{name: string, scene: Scene|null, why: string|null} */
    private function slopes(Dataset $dataset, Question $question, string $with, float $width): array
    {
        ['before' => $before, 'after' => $after, 'slopes' => $slopes] = $this->draw->slopes($dataset, $question, $with);

        return self::told("{$before->nameWithUnit()} to {$after->nameWithUnit()}", SlopesScene::of($slopes, $before->nameWithUnit(), $after->nameWithUnit(), $width), 'no row has both');
    }

    /** @return array{name: string, scene: Scene|null, why: string|null} */
    private static function told(string $name, ?Scene $scene, string $why): array
    {
        return ['name' => $name, 'scene' => $scene, 'why' => $scene === null ? "{$name}: {$why}." : null];
    }
}
