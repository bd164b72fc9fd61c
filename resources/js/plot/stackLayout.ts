import { rowsFor } from './spread';

/** Where the parts of the aligned stack lie, in pixels. */
export interface StackLayout {
    height: number;
    left: number;
    right: number;
    linesTop: number;
    /** Of the names of the lines. */
    nameRows: number;
    /** Where the dots above the bars stand. */
    dotsBase: number;
    axisTop: number;
    boxHeight: number;
    lanes: { barsTop: number; barsBase: number; boxMiddle: number }[];
}

const NAMES_WIDTH = 108;
const NARROW_NAMES_WIDTH = 88;
const NARROW = 420;
const RIGHT_MARGIN = 26;
/** Of one row of the names of the lines; each more takes so much on top. */
const LINE_NAMES = 20;
export const NAME_ROW = 14;
/** The names may lean over both ends of the axis. */
export const OVER_LEFT = 40;
export const OVER_RIGHT = 24;
const CHARACTER = 6.8;
const NAME_GAP = 8;
const OVERALL_BARS = 158;
/** Alone it takes the room that lanes would have. */
const ONLY_BARS = 250;
const GROUP_BARS = 36;
const BOX = 18;
const GAP = 8;
const MEAN_MARK = 4;
const AXIS = 44;
/** Eight dots high at most. */
const DOTS = 40;

/** Overall takes the most room; each group has a lane of bars and a box under them, or the box alone where its outline lies over the others. */
export function stackLayout(width: number, lanes: number, asOutlines = false, lineNames: string[] = []): StackLayout {
    const left = width < NARROW ? NARROW_NAMES_WIDTH : NAMES_WIDTH;
    const right = width - RIGHT_MARGIN;
    const nameRows = rowsFor(lineNames.map(nameWidth), right - left + OVER_LEFT + OVER_RIGHT);
    const linesTop = LINE_NAMES + (nameRows - 1) * NAME_ROW;
    const dotsBase = linesTop + DOTS;
    let y = dotsBase;
    const places = Array.from({ length: lanes }, (_, i) => {
        const barsTop = y + (i === 0 ? 8 : GAP);
        const barsBase = barsTop + (i > 0 ? (asOutlines ? 0 : GROUP_BARS) : lanes === 1 || asOutlines ? ONLY_BARS : OVERALL_BARS);
        const boxMiddle = barsBase + GAP + BOX / 2;
        y = boxMiddle + BOX / 2 + GAP + MEAN_MARK;
        return { barsTop, barsBase, boxMiddle };
    });
    return {
        height: y + AXIS,
        left,
        right,
        linesTop,
        nameRows,
        dotsBase,
        axisTop: y,
        boxHeight: BOX,
        lanes: places,
    };
}

/** What the name of a line takes, with the gap to the next. */
export function nameWidth(name: string): number {
    return name.length * CHARACTER + NAME_GAP;
}
