import { defaults, type Question } from '../asking/question';

/** Its sentence and its caption. */
const WORDS_PX = 83;
const OVERALL_PX = 420;
const OVERALL_BESIDE_LANES_PX = 328;
const LANE_PX = 82;

/** About how tall the stack is going to be, in pixels: room is kept for it, so that nothing below it moves when it comes. */
export function stackRoom(groups: number, { arrange }: Pick<Question, 'arrange'>): number {
    return WORDS_PX + (groups === 0 || arrange !== defaults.arrange ? OVERALL_PX : OVERALL_BESIDE_LANES_PX + groups * LANE_PX);
}
