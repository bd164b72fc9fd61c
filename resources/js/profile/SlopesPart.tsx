import { useState } from 'react';
import type { Variable } from '../api/client';
import { SlopeLines } from '../plot/SlopeLines';
import { count } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import { type Asked, PlotPart } from './PlotPart';
import { useSlopes } from './queries';

/** Each row as a line from this variable to another: before and after. */
export function SlopesPart({ dataset, revision, question, variable, axisName, others }: Asked & { others: Variable[] }) {
    const [chosen, setChosen] = useState('');
    const other = others.find((candidate) => candidate.key === chosen) ?? others[0];
    const slopes = useSlopes(dataset, revision, question, variable, other?.key ?? '');
    const data = slopes.data;
    return (
        <PlotPart title="Slope lines" answer={slopes}>
            <p className="mb-2 text-small text-soft">
                Each row from {axisName} to{' '}
                <WordChoice
                    name="Slope lines to"
                    options={others.map(({ key, name, unit }) => ({ value: key, words: unit === null ? name : `${name} (${unit})` }))}
                    value={other?.key ?? ''}
                    onChange={setChosen}
                />
                {data !== undefined && (
                    <>
                        : {count(data.rising)} rise, {count(data.falling)} fall, {count(data.staying)} stay
                        {data.incomplete > 0 && `; ${count(data.incomplete)} lack one of the two`}.
                        {data.lines.length < data.rising + data.falling + data.staying && ` ${count(data.lines.length)} are drawn.`}
                    </>
                )}
            </p>
            {data !== undefined &&
                (data.axis === null ? (
                    <p className="text-soft">No row has both.</p>
                ) : (
                    <SlopeLines slopes={data} variable={variable} other={other?.key ?? ''} />
                ))}
        </PlotPart>
    );
}
