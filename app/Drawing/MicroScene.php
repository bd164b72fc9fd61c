<?php

declare(strict_types=1);

namespace App\Drawing;

/** A handful of bars without axes, for a first look at a variable; empty where there is nothing to count. */
final class MicroScene
{
    private const WIDTH = 64.0;
    private const HEIGHT = 20.0;
    private const MOST = 24;
    private const WIDEST = 14.0;

    /** @param list<int|float> $counts */
    public static function of(array $counts): Scene
    {
        $bars = array_slice($counts, 0, self::MOST);
        $highest = max([1, ...$bars]);
        $step = min(self::WIDEST, self::WIDTH / max(1, count($bars)));
        $path = '';
        foreach ($bars as $i => $count) {
            $height = $count <= 0 ? 0.0 : max(1.0, $count / $highest * self::HEIGHT);
            $path .= $height === 0.0 ? '' : 'M' . Svg::number($i * $step) . ' ' . Svg::number(self::HEIGHT) . 'v' . Svg::number(-$height) . 'h' . Svg::number(max(1.0, $step - 1)) . 'v' . Svg::number($height) . 'z';
        }
        $scene = new Scene(self::WIDTH, self::HEIGHT, '');
        if ($path !== '') {
            $scene->path($path, ['fill' => 'current', 'role' => 'micro']);
        }

        return $scene;
    }
}
