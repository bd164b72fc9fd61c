import type { Stack } from '../api/client';
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
        const [low, q1, median, q3, high] = lane.box.five.map((level) => level.text);
        const outliers = lane.box.outliers.total === 0 ? '' : `; ${counted(lane.box.outliers.total, 'value')} beyond the fences`;
        return `${axisName}, ${name}: from ${low} to ${high}, half of them between ${q1} and ${q3}, median ${median}${fullest(lane, stack.classes.labels)}${outliers}.`;
    });
}

/** One bar in words. */
export function barSentence(stack: Stack, names: string[], lane: number, place: number): string {
    return `${names[lane] ?? ''}, ${stack.classes.labels[place] ?? ''}: ${count(stack.lanes[lane]?.counts[place] ?? 0)}`;
}
