import { type KeyboardEvent, type RefObject, useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Crosshair, Scene } from '../api/client';
import { placeIn, readAxis } from './axes';
import { ClassHandles } from './ClassHandles';
import { CrosshairLayer } from './CrosshairLayer';
import { Marks } from './paint';
import { type PictureSource, PictureOut } from './PictureOut';
import { useLatestRequest } from './useLatestRequest';
import { useMarkNavigation, walkedLook } from './useMarkNavigation';

/** Less than this is a press and no drag. */
const DRAG_PX = 4;
/** An axis that is read has this many steps from one end to the other, as the server says what it reads. */
const PLACES = 300;
/** So many of them are gone at once by keys. */
const KEY_PLACES = 5;
/** Marks whose rows are named where the pointer is on them. */
const NAMED = ['outlier', 'leaf'];

/** What a person can do with an axis that is read. */
export interface AxisTools {
    name: string;
    /** null = not there yet. */
    crosshair: Crosshair | null;
    /** The pointer has come: the crosshair will be wanted. */
    onNear: () => void;
    /** A range of the axis was chosen, as texts; null = none any more. */
    onRange: (range: { from: string; to: string } | null) => void;
    /** The picture over other classes, in the words of the address. */
    tryClasses: (classes: string) => Promise<Scene>;
    onClasses: (classes: string) => void;
}

/**
 * A picture that the server has laid out: painted as it is, walked through by keys, its axis read, and taken out. It knows no kind of
 * picture: what can be done stands in the marks and the axes.
 */
export function SceneView({
    scene,
    isWide,
    source,
    tools,
    onRows,
    labelsOf,
    onAsk,
}: {
    scene: Scene;
    /** Whether it is wider than its room on purpose; otherwise an older one is scaled until the next has come. */
    isWide: boolean;
    source: PictureSource;
    tools?: AxisTools;
    /** Rows behind a mark are wanted: the condition that leaves them. */
    onRows?: ((where: string) => void) | undefined;
    /** What the rows that a condition leaves are called. */
    labelsOf?: ((where: string) => Promise<string>) | undefined;
    onAsk?: (words: Record<string, string>) => void;
}) {
    const svg = useRef<SVGSVGElement>(null);
    const tried = useLatestRequest(scene, (classes) => tools?.tryClasses(classes) ?? Promise.resolve(scene));
    const drawn = tried.answer ?? scene;
    const axis = tools === undefined ? undefined : readAxis(drawn);
    const layer = useRef<{ show: (place: number | null) => void }>(null);
    const drag = useAxisDrag(scene, axis === undefined ? undefined : tools, svg, layer);
    const [named, setNamed] = useState<{ words: string; x: number; y: number } | null>(null);
    const navigation = useMarkNavigation(
        scene.steps,
        scene.sentences,
        scene.width,
        onRows === undefined || !scene.steps.some(({ rows }) => rows !== undefined)
            ? undefined
            : ({ rows }) => rows !== undefined && onRows(rows),
    );
    const name = useNames(labelsOf, setNamed);
    return (
        <figure className="w-full min-w-0">
            {scene.notes.map((note) => (
                <p key={note.words} role="status" className={note.alarm ? 'mb-1 text-small text-alarm' : 'mb-1 text-small text-soft'}>
                    {note.words}{' '}
                    {note.remedy !== null && note.ask !== null && (
                        <button
                            type="button"
                            className="font-semibold underline decoration-accent decoration-2 underline-offset-4"
                            onClick={() => onAsk?.(note.ask ?? {})}
                        >
                            {note.remedy}
                        </button>
                    )}
                </p>
            ))}
            <div className={isWide ? 'relative max-w-full overflow-x-auto' : 'relative'}>
                <svg
                    ref={svg}
                    viewBox={`0 0 ${drawn.width} ${drawn.height}`}
                    style={{ width: drawn.width }}
                    aria-label={scene.title}
                    {...navigation.keys}
                    {...drag.handlers}
                    onKeyDown={(event) => {
                        const mark = navigation.mark;
                        if (!drag.takeKey(event, mark === undefined ? null : mark.x + mark.width / 2)) {
                            navigation.keys.onKeyDown(event);
                        }
                    }}
                    className={`block h-auto text-fine ${isWide ? 'max-w-none' : 'max-w-full'} ${tools === undefined ? '' : 'touch-pan-y select-none'} ${walkedLook}`}
                    onClick={(event) => {
                        const rows = marked(event.target)?.dataset.rows;
                        if (rows !== undefined && !drag.hasDragged()) {
                            onRows?.(rows);
                        }
                    }}
                    onPointerOver={(event) => name.over(event.target)}
                >
                    <rect width={drawn.width} height={drawn.height} fill="transparent" />
                    {axis !== undefined && drag.selected !== null && (
                        <rect
                            data-range=""
                            x={drag.pixel(drag.selected.from)}
                            width={drag.pixel(drag.selected.to) - drag.pixel(drag.selected.from)}
                            y={axis.reads.top}
                            height={axis.reads.bottom - axis.reads.top}
                            fill="var(--accent-wash)"
                        />
                    )}
                    <Marks marks={drawn.marks} />
                    {named !== null && <Named {...named} width={scene.width} />}
                    {navigation.frame}
                </svg>
                {axis?.classes !== undefined && axis.classes.width !== null && tools !== undefined && (
                    // Beside the picture, which is one thing for those who have it told.
                    <svg
                        viewBox={`0 0 ${drawn.width} ${drawn.height}`}
                        style={{ width: drawn.width }}
                        className="pointer-events-none absolute top-0 left-0 h-auto max-w-full touch-pan-y text-fine select-none"
                    >
                        <ClassHandles
                            axis={{ ...(readAxis(scene) ?? axis), classes: readAxis(scene)?.classes ?? axis.classes }}
                            width={scene.width}
                            textY={axis.reads.top + 12}
                            axisName={tools.name}
                            onBegin={drag.hide}
                            onMove={tried.follow}
                            onEnd={tools.onClasses}
                        />
                    </svg>
                )}
                {axis !== undefined && tools !== undefined && (
                    <CrosshairLayer
                        ref={layer}
                        crosshair={tools.crosshair}
                        scene={drawn}
                        pixel={drag.pixel}
                        top={axis.reads.top}
                        bottom={axis.reads.bottom}
                        right={axis.end}
                    />
                )}
            </div>
            {navigation.words}
            {scene.caption !== '' && <figcaption className="mt-1 max-w-2xl text-fine text-soft">{scene.caption}</figcaption>}
            <PictureOut scene={scene} source={source} />
        </figure>
    );
}

function Named({ words, x, y, width }: { words: string; x: number; y: number; width: number }) {
    return (
        <text
            data-named=""
            x={x}
            y={y}
            textAnchor={x > width / 2 ? 'end' : 'start'}
            fill="var(--ink)"
            className="halo font-semibold"
            pointerEvents="none"
        >
            {words}
        </text>
    );
}

/** The element of a mark that a pointer is on. */
function marked(target: EventTarget): SVGGraphicsElement | null {
    return target instanceof Element ? target.closest<SVGGraphicsElement>('[data-rows]') : null;
}

/** Names the rows behind a mark that the pointer comes to; each is asked for once. */
function useNames(
    labelsOf: ((where: string) => Promise<string>) | undefined,
    show: (named: { words: string; x: number; y: number } | null) => void,
): { over: (target: EventTarget) => void } {
    const known = useRef(new Map<string, Promise<string>>());
    const now = useRef<string | null>(null);
    return {
        over: (target) => {
            const mark = marked(target);
            const rows = mark?.dataset.rows;
            const role = mark === null ? undefined : NAMED.find((name) => mark.hasAttribute(`data-${name}`));
            if (mark === null || rows === undefined || role === undefined || labelsOf === undefined) {
                if (now.current !== null) {
                    now.current = null;
                    show(null);
                }
                return;
            }
            if (now.current === rows) {
                return;
            }
            now.current = rows;
            const labels = known.current.get(rows) ?? labelsOf(rows);
            known.current.set(rows, labels);
            const box = mark.getBBox();
            const about = mark.dataset.says ?? mark.getAttribute(`data-${role}`) ?? '';
            void labels.then(
                (words) => {
                    if (now.current === rows) {
                        show({ words: `${words}: ${about}`, x: box.x + box.width / 2, y: Math.max(12, box.y - 5) });
                    }
                },
                () => known.current.delete(rows),
            );
        },
    };
}

/** A crosshair that follows the pointer over an axis, and a range chosen by dragging. */
function useAxisDrag(
    scene: Scene,
    tools: AxisTools | undefined,
    svg: RefObject<SVGSVGElement | null>,
    layer: RefObject<{ show: (place: number | null) => void } | null>,
) {
    const [drag, setDrag] = useState<{ from: number; to: number } | null>(null);
    const isDragging = useRef(false);
    const pointed = useRef<number | null>(null);
    const released = useRef<{ from: number; to: number } | null>(null);
    const wasDragged = useRef(false);
    const axis = readAxis(scene);
    const [start, end] = [axis?.start ?? 0, axis?.end ?? 0];
    const pixel = (place: number) => start + ((end - start) * place) / PLACES;
    /** Which of the places of the axis is under the pointer. */
    const placeOf = (clientX: number) => {
        const share = svg.current === null ? -1 : (placeIn(svg.current, clientX, scene.width) - start) / (end - start);
        return share < -0.01 || share > 1.01 ? null : Math.max(0, Math.min(PLACES, Math.round(share * PLACES)));
    };
    const tellRange = () => {
        const range = released.current;
        const values = tools?.crosshair?.values;
        if (range !== null && values !== undefined) {
            released.current = null;
            tools?.onRange({ from: values[range.from] ?? '', to: values[range.to] ?? '' });
        }
    };
    // Where it comes later than the pointer, it says what the pointer has been waiting for.
    const onArrival = useEffectEvent(() => {
        layer.current?.show(pointed.current);
        tellRange();
    });
    const crosshair = tools?.crosshair;
    useEffect(() => onArrival(), [crosshair]);
    const selected =
        drag === null || drag.from === drag.to ? null : { from: Math.min(drag.from, drag.to), to: Math.max(drag.from, drag.to) };
    const handlers: React.SVGAttributes<SVGSVGElement> =
        tools === undefined
            ? {}
            : {
                  onPointerDown: (event) => {
                      const place = placeOf(event.clientX);
                      wasDragged.current = false;
                      if (place !== null && event.button === 0) {
                          isDragging.current = true;
                          setDrag({ from: place, to: place });
                      }
                  },
                  onPointerMove: (event) => {
                      const place = placeOf(event.clientX);
                      pointed.current = place;
                      layer.current?.show(place);
                      if (isDragging.current && place !== null && drag !== null && place !== drag.to) {
                          if (Math.abs(pixel(place) - pixel(drag.from)) >= DRAG_PX) {
                              event.currentTarget.setPointerCapture(event.pointerId);
                          }
                          setDrag({ ...drag, to: place });
                      }
                  },
                  onPointerEnter: tools.onNear,
                  onPointerLeave: () => {
                      pointed.current = null;
                      layer.current?.show(null);
                  },
                  onPointerUp: () => {
                      if (!isDragging.current) {
                          return;
                      }
                      isDragging.current = false;
                      if (selected === null || pixel(selected.to) - pixel(selected.from) < DRAG_PX) {
                          setDrag(null);
                          tools.onRange(null);
                      } else {
                          wasDragged.current = true;
                          released.current = selected;
                          tellRange();
                      }
                  },
              };
    /** A range by keys: from the mark that is framed, or the middle, to the one side or the other; true where it was such a key. */
    const takeKey = (event: KeyboardEvent, at: number | null): boolean => {
        const { key, shiftKey } = event;
        const step = { ArrowLeft: -KEY_PLACES, ArrowRight: KEY_PLACES }[key];
        if (tools === undefined || (key === 'Escape' ? drag === null : step === undefined || !shiftKey)) {
            return false;
        }
        event.preventDefault();
        if (step === undefined) {
            setDrag(null);
            tools.onRange(null);
            return true;
        }
        tools.onNear();
        const begin = at === null ? PLACES / 2 : Math.round((PLACES * (at - start)) / (end - start));
        const { from, to } = drag ?? { from: begin, to: begin };
        const range = { from, to: Math.max(0, Math.min(PLACES, to + step)) };
        setDrag(range);
        released.current = { from: Math.min(range.from, range.to), to: Math.max(range.from, range.to) };
        tellRange();
        return true;
    };
    return { handlers, takeKey, pixel, selected, hide: () => layer.current?.show(null), hasDragged: () => wasDragged.current };
}
