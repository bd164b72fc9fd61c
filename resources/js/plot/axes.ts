import type { Scene } from '../api/client';

export type MovableClasses = NonNullable<SceneAxis['classes']>;
export type SceneAxis = Scene['axes'][number];

/** The axis that is read from left to right, where a picture has one that can be. */
export function readAxis(scene: Scene): (SceneAxis & Required<Pick<SceneAxis, 'reads'>>) | undefined {
    return scene.axes.find((axis): axis is SceneAxis & Required<Pick<SceneAxis, 'reads'>> => !axis.stands && axis.reads !== undefined);
}

export function pixelOf(axis: SceneAxis, value: number): number {
    return axis.start + ((axis.end - axis.start) * (value - axis.from)) / (axis.to - axis.from);
}

export function valueAt(axis: SceneAxis, pixel: number): number {
    return axis.from + ((axis.to - axis.from) * (pixel - axis.start)) / (axis.end - axis.start);
}

/** Where a pointer is in a picture that may be drawn smaller than it was laid out. */
export function placeIn(svg: SVGSVGElement, clientX: number, width: number): number {
    const box = svg.getBoundingClientRect();
    return (clientX - box.left) * (box.width === 0 ? 1 : width / box.width);
}
