import { useState } from 'react';
import type { Variable } from '../api/client';
import { WordChoice } from '../ui/WordChoice';
import type { Asked } from './PlotPart';
import { ScenesPart } from './ScenesPart';

/** Each row as a line from this variable to another: before and after. */
export function SlopesPart({ others, ...asked }: Asked & { others: Variable[] }) {
    const [chosen, setChosen] = useState('');
    const other = others.find((candidate) => candidate.key === chosen) ?? others[0];
    return (
        <ScenesPart kind="slopes" title="Slope lines" other={other?.key ?? ''} {...asked}>
            <p className="mb-2 text-small text-soft">
                Each row from {asked.axisName} to{' '}
                <WordChoice
                    name="Slope lines to"
                    options={others.map(({ key, name, unit }) => ({ value: key, words: unit === null ? name : `${name} (${unit})` }))}
                    value={other?.key ?? ''}
                    onChange={setChosen}
                />
            </p>
        </ScenesPart>
    );
}
