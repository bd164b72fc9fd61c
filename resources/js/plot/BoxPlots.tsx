import { scaleLinear } from 'd3-scale';
import type { Axis, Box } from '../api/client';
import { laneColour } from './colours';
import { MeanMark, OutlierMark } from './marks';
import { PictureOut } from './PictureOut';
import { spread } from './spread';
import { boxSentences } from './sentences';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';

export interface BoxLook {
    isUpright: boolean;
    hasNotches: boolean;
    /** Whether thickness is in proportion to √n. */
    isWideByN: boolean;
    hasNumbers: boolean;
    /** Whether whiskers reach to the extremes, so that nothing is marked beyond them. */
    isToExtremes: boolean;
}

/** The same look in the words of the server. */
function lookWords(look: BoxLook): string {
    const words = {
        standing: look.isUpright,
        notches: look.hasNotches,
        'root-n': look.isWideByN,
        numbers: look.hasNumbers,
        extremes: look.isToExtremes,
    };
    return Object.entries(words)
        .flatMap(([word, is]) => (is ? [word] : []))
        .join(',');
}

const NAMES = 108;
const RIGHT = 30;
const LANE = 68;
const UPRIGHT_LANE = 128;
const LENGTH = 340;
const THICK = 26;
const THIN = 5;
const AXIS = 44;
const CHARACTER = 7.4;
const fiveNames = ['minimum', 'Q₁', 'median', 'Q₃', 'maximum'];

/** Boxes beside one another on one axis, lying or standing: whiskers, a heavy median, a triangle for the mean, rings and diamonds for outliers. */
export function BoxPlots({
    boxes,
    axis,
    axisName,
    look,
    variable,
}: {
    boxes: { name: string; lane: number; box: Box }[];
    /** Its key. */
    variable: string;
    axis: Axis;
    axisName: string;
    look: BoxLook;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const most = Math.max(1, ...boxes.map(({ box }) => box.n));
    const across = look.isUpright ? LENGTH : width - NAMES - RIGHT;
    const along = scaleLinear([axis.from, axis.to], look.isUpright ? [LENGTH + 10, 10] : [NAMES, NAMES + across]);
    const middleOf = (i: number) => (look.isUpright ? NAMES + (i + 0.5) * UPRIGHT_LANE : 12 + i * LANE + LANE / 2 - 8);
    const total = boxes.length * (look.isUpright ? UPRIGHT_LANE : LANE);
    const [svgWidth, svgHeight] = look.isUpright ? [Math.max(width, NAMES + total + RIGHT), LENGTH + 54] : [width, total + AXIS + 8];
    const walk = useWalk(
        () =>
            boxes.flatMap(({ name, box }, i) =>
                [
                    ...box.five.map((level, k) => ({ ...level, called: fiveNames[k] ?? '' })),
                    ...(look.isToExtremes
                        ? []
                        : box.outliers.marks.map((mark) => ({ at: mark.value, text: mark.text, called: 'beyond the fences' }))),
                ].map(({ at, text, called }) => {
                    const [place, across] = [along(at), middleOf(i)];
                    const corner = look.isUpright ? { x: across - THICK / 2, y: place - 3 } : { x: place - 3, y: across - THICK / 2 };
                    return {
                        lane: i,
                        words: `${name}, ${called}: ${text}`,
                        ...corner,
                        width: look.isUpright ? THICK : 6,
                        height: look.isUpright ? 6 : THICK,
                    };
                }),
            ),
        () => boxSentences(boxes),
    );
    return (
        <figure ref={frame} className="w-full min-w-0">
            {width > 0 && (
                <div className="max-w-full overflow-x-auto">
                    <svg
                        width={svgWidth}
                        height={svgHeight}
                        aria-label={`${axisName}: box plots, ${boxes.map(({ name }) => name).join(', ')}`}
                        {...walk.keys}
                        className={`block text-fine ${walkedLook}`}
                    >
                        {look.isUpright && <StandingAxis axis={axis} name={axisName} along={along} left={NAMES} right={NAMES + total} />}
                        {boxes.map(({ name, lane, box }, i) => {
                            const middle = middleOf(i);
                            const half = (look.isWideByN ? Math.max(THIN, THICK * Math.sqrt(box.n / most)) : THICK) / 2;
                            return (
                                <g key={lane} data-lane={name}>
                                    <g transform={look.isUpright ? `translate(${middle} 0)` : `translate(0 ${middle})`}>
                                        <OneBox box={box} along={along} half={half} colour={laneColour(lane)} look={look} />
                                        {look.hasNumbers && <Five box={box} along={along} half={half} isUpright={look.isUpright} />}
                                    </g>
                                    {look.isUpright ? (
                                        <text x={middle} y={LENGTH + 30} textAnchor="middle" fill="var(--ink)">
                                            {name.length > 20 ? `${name.slice(0, 19)}…` : name}
                                        </text>
                                    ) : (
                                        <text x={NAMES - 10} y={middle + 4} textAnchor="end" fill="var(--ink)">
                                            {name.length > 16 ? `${name.slice(0, 15)}…` : name}
                                        </text>
                                    )}
                                </g>
                            );
                        })}
                        {!look.isUpright && <ValueAxis axis={axis} name={axisName} x={along} top={total + 8} />}
                        {walk.frame}
                    </svg>
                </div>
            )}
            {walk.words}
            <PictureOut
                frame={frame}
                name={`${axisName}, box plots`}
                numbers={() => [
                    ['', 'n', 'minimum', 'Q1', 'median', 'Q3', 'maximum', 'whisker low', 'whisker high', 'mean'],
                    ...boxes.map(({ name, box }) => [
                        name,
                        ...[box.n, ...box.five.map((level) => level.at), box.whisker_low, box.whisker_high, box.mean ?? ''].map(String),
                    ]),
                ]}
                words={{ picture: 'boxes', of: variable, lane_order: boxes.map(({ lane }) => lane).join(','), look: lookWords(look) }}
            />
        </figure>
    );
}

/** Drawn lying around y = 0; standing, its x and y are exchanged. */
function OneBox({
    box,
    along,
    half,
    colour,
    look,
}: {
    box: Box;
    along: (value: number) => number;
    half: number;
    colour: string;
    look: BoxLook;
}) {
    const at = (value: number, off: number) => (look.isUpright ? `${off} ${along(value)}` : `${along(value)} ${off}`);
    const line = (...points: [number, number][]) => `M${points.map(([value, off]) => at(value, off)).join('L')}`;
    const [low = box.whisker_low, high = box.whisker_high] = look.isToExtremes ? [box.five[0]?.at, box.five[4]?.at] : [];
    const waist = half * 0.5;
    const outline: [number, number][] = look.hasNotches
        ? [
              ...([
                  [box.q1, -half],
                  [box.notch.low, -half],
                  [box.median, -waist],
                  [box.notch.high, -half],
                  [box.q3, -half],
                  [box.q3, half],
                  [box.notch.high, half],
                  [box.median, waist],
                  [box.notch.low, half],
                  [box.q1, half],
              ] as [number, number][]),
          ]
        : [
              [box.q1, -half],
              [box.q3, -half],
              [box.q3, half],
              [box.q1, half],
          ];
    const across = look.hasNotches ? waist : half;
    return (
        <g stroke={colour} fill="none" strokeWidth={1.5}>
            <path d={line([low, 0], [box.q1, 0]) + line([box.q3, 0], [high, 0])} />
            <path data-whisker="low" d={line([low, -half * 0.55], [low, half * 0.55])} />
            <path data-whisker="high" d={line([high, -half * 0.55], [high, half * 0.55])} />
            <path data-box="" d={`${line(...outline)}Z`} fill="var(--surface)" strokeLinejoin="round" />
            <path data-median="" d={line([box.median, -across], [box.median, across])} strokeWidth={3.5} />
            {(look.isToExtremes ? [] : box.outliers.marks).map((mark, i) => {
                const [cx, cy] = look.isUpright ? [0, along(mark.value)] : [along(mark.value), 0];
                return (
                    <g key={i} data-outlier={mark.far ? 'far' : 'near'}>
                        <OutlierMark x={cx} y={cy} isFar={mark.far} colour={colour} />
                        <title>{mark.text}</title>
                    </g>
                );
            })}
            {box.mean !== null && (
                <MeanMark
                    x={look.isUpright ? half + 1 : along(box.mean)}
                    y={look.isUpright ? along(box.mean) : half + 1}
                    isUpright={look.isUpright}
                    colour={colour}
                />
            )}
        </g>
    );
}

/** The five numbers beside their places; where they would touch they step aside. */
function Five({ box, along, half, isUpright }: { box: Box; along: (value: number) => number; half: number; isUpright: boolean }) {
    const wanted = box.five.map((level) => along(level.at));
    const order = isUpright ? wanted.map((_, i) => wanted.length - 1 - i) : wanted.map((_, i) => i);
    const places = spread(
        order.map((i) => wanted[i] ?? 0),
        order.map((i) => (isUpright ? 14 : (box.five[i]?.text.length ?? 1) * CHARACTER + 6)),
        isUpright ? 0 : NAMES - 40,
        isUpright ? LENGTH + 20 : Infinity,
    );
    return order.map((i, k) => (
        <text
            key={i}
            x={isUpright ? half + 12 : places[k]}
            y={isUpright ? (places[k] ?? 0) + 4 : -half - 6}
            textAnchor={isUpright ? 'start' : 'middle'}
            fill="var(--soft)"
            className="figures halo"
        >
            {box.five[i]?.text}
        </text>
    ));
}

function StandingAxis({
    axis,
    name,
    along,
    left,
    right,
}: {
    axis: Axis;
    name: string;
    along: (value: number) => number;
    left: number;
    right: number;
}) {
    return (
        <g>
            <line x1={left - 20} x2={left - 20} y1={along(axis.from)} y2={along(axis.to)} stroke="var(--ink)" />
            {axis.ticks.map((tick) => (
                <g key={tick.at}>
                    <line x1={left - 25} x2={left - 20} y1={along(tick.at)} y2={along(tick.at)} stroke="var(--ink)" />
                    <line x1={left - 20} x2={right} y1={along(tick.at)} y2={along(tick.at)} stroke="var(--hair)" />
                    <text x={left - 29} y={along(tick.at) + 4} textAnchor="end" fill="var(--soft)" className="figures">
                        {tick.text}
                    </text>
                </g>
            ))}
            <text transform={`translate(14 ${(along(axis.from) + along(axis.to)) / 2}) rotate(-90)`} textAnchor="middle" fill="var(--ink)">
                {name}
            </text>
        </g>
    );
}
