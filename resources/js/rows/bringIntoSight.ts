import type { Variable } from '../api/client';
import { GUTTER_PX, HEAD_PX, ROW_PX, topOf, widthOf } from './gridLayout';
import { HEAD } from './gridKeys';
import type { Place } from './useClipboard';

/** Scrolls the rows no further than it takes to see a cell; `starts` is where each column begins. */
export function bringIntoSight(element: HTMLElement, { row, column }: Place, rows: number, variables: Variable[], starts: number[]): void {
    const x = starts[column] ?? 0;
    const width = widthOf(variables[column]);
    if (x - GUTTER_PX < element.scrollLeft) {
        element.scrollLeft = x - GUTTER_PX;
    } else if (x + width > element.scrollLeft + element.clientWidth) {
        element.scrollLeft = x + width - element.clientWidth;
    }
    if (row === HEAD) {
        return;
    }
    const fit = Math.floor((element.clientHeight - HEAD_PX) / ROW_PX);
    const [least, most] = [topOf(row - fit + 2, element.clientHeight, rows), topOf(row, element.clientHeight, rows)];
    if (most < element.scrollTop) {
        element.scrollTop = most;
    } else if (least > element.scrollTop) {
        element.scrollTop = least;
    }
}
