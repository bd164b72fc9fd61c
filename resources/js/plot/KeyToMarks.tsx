import type { Stack } from '../api/client';
import { asSentence, count, counted } from '../ui/format';
import { MeanMark, OutlierMark } from './marks';

/** What the marks mean, in words; only those that occur, and whatever the picture cannot show. */
export function KeyToMarks({ stack, fences }: { stack: Stack; fences: number }) {
    const outliers = stack.lanes.flatMap((lane) => lane.box?.outliers.marks ?? []);
    const hidden = stack.lanes[0]?.box?.outliers;
    return (
        <figcaption className="mt-1 flex flex-wrap gap-x-4 gap-y-0.5 text-fine text-soft">
            <Entry mark={<MeanMark x={6} y={3} colour="currentColor" />}>Mean</Entry>
            <Entry mark={<path d="M6 1v10" stroke="currentColor" strokeWidth="3.5" />}>Median</Entry>
            {outliers.some((mark) => !mark.far) && (
                <Entry mark={<OutlierMark x={6} y={6} isFar={false} colour="currentColor" />}>
                    {`Beyond ${fences} interquartile ranges`}
                </Entry>
            )}
            {outliers.some((mark) => mark.far) && (
                <Entry mark={<OutlierMark x={6} y={6} isFar colour="currentColor" />}>{`Beyond ${2 * fences}`}</Entry>
            )}
            {(stack.dots.per_dot > 1 || stack.dots.bin_width !== null) && (
                <span>
                    One dot = {stack.dots.per_dot > 1 ? 'up to ' : ''}
                    {counted(stack.dots.per_dot, 'row')}
                    {stack.dots.bin_width === null ? '' : `, in bins of ${stack.dots.bin_width}`}
                </span>
            )}
            <span>{asSentence(stack.classes.rule)}</span>
            {hidden?.cut === true && <span>{count(hidden.total)} rows lie beyond the fences; only the outermost are marked</span>}
        </figcaption>
    );
}

function Entry({ mark, children }: { mark: React.ReactNode; children: string }) {
    return (
        <span className="inline-flex items-center gap-1.5">
            <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden="true">
                {mark}
            </svg>
            {children}
        </span>
    );
}
