import { laneColour } from './colours';
import { fives } from './fives';

const STEP = 4;
const HEIGHT = 13;
const GROUP = 4 * STEP + 6;

/** A whole count as strokes, every fifth across the four before it. */
export function TallyMarks({ count }: { count: number }) {
    const groups = fives(count);
    return (
        <svg width={Math.max(1, groups.length * GROUP)} height={HEIGHT} aria-hidden="true" data-tally={count} className="block">
            <path
                fill="none"
                stroke={laneColour(0)}
                strokeWidth={1.25}
                strokeLinecap="round"
                d={groups
                    .map((strokes, group) => {
                        const left = group * GROUP + 3;
                        const upright = Array.from({ length: Math.min(4, strokes) }, (_, i) => `M${left + i * STEP} 1V${HEIGHT - 1}`).join(
                            '',
                        );
                        return strokes === 5 ? `${upright}M${left - 2} ${HEIGHT - 3}L${left + 3 * STEP + 2} 3` : upright;
                    })
                    .join('')}
            />
        </svg>
    );
}
