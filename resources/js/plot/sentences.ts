import type { Box, Stack } from '../api/client';
import { count, counted } from '../ui/format';

/** The classes with the largest count, in words; none where nothing is in them. */
function fullest(lane: Stack['lanes'][number], labels: string[]): string {
    const most = Math.max(0, ...lane.counts);
    const places = lane.counts.flatMap((value, i) => (value === most ? [labels[i] ?? ''] : []));
    return most === 0 || places.length > 3 ? '' : `; most, ${count(most)}, in ${places.join(' and in ')}`;
}

/** What a stack shows, a sentence for each lane: for those who cannot see it. */
export function stackSentences(stack: Stack, names: string[], axisName: string): string[] {
    return stack.lanes.map((lane, i) => {
        const name = names[i] ?? '';
        if (lane.box === null) {
            return `${axisName}, ${name}: no values.`;
        }
        return `${axisName}, ${name}: ${boxSentence(lane.box)}${fullest(lane, stack.classes.labels)}${beyond(lane.box)}.`;
    });
}

/** From where to where, and where the middle half lies. */
function boxSentence({ five }: Box): string {
    const [low, q1, median, q3, high] = five.map((level) => level.text);
    return `from ${low} to ${high}, half of them between ${q1} and ${q3}, median ${median}`;
}

function beyond({ outliers }: Box): string {
    return outliers.total === 0 ? '' : `; ${counted(outliers.total, 'value')} beyond the fences`;
}

/** Box plots, a sentence for each box. */
export function boxSentences(boxes: { name: string; box: Box }[]): string[] {
    return boxes.map(({ name, box }) => `${name}: ${boxSentence(box)}${beyond(box)}.`);
}

/** One bar in words. */
export function barSentence(stack: Stack, names: string[], lane: number, place: number): string {
    return `${names[lane] ?? ''}, ${stack.classes.labels[place] ?? ''}: ${count(stack.lanes[lane]?.counts[place] ?? 0)}`;
}
