/** Where the parts of the aligned stack lie, in pixels. */
export interface StackLayout {
    height: number;
    left: number;
    right: number;
    linesTop: number;
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
const LINE_NAMES = 20;
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
export function stackLayout(width: number, lanes: number, asOutlines = false): StackLayout {
    const dotsBase = LINE_NAMES + DOTS;
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
        left: width < NARROW ? NARROW_NAMES_WIDTH : NAMES_WIDTH,
        right: width - RIGHT_MARGIN,
        linesTop: LINE_NAMES,
        dotsBase,
        axisTop: y,
        boxHeight: BOX,
        lanes: places,
    };
}
