import { useState } from 'react';
import type { Stack } from '../api/client';
import { BoxPlots, type BoxLook } from '../plot/BoxPlots';
import { WordChoice } from '../ui/WordChoice';
import { PlotPart } from './PlotPart';

/** The boxes alone, large, lying or standing; in the order of the lanes above. */
export function BoxesPart({
    stack,
    variable,
    names,
    order,
    axisName,
}: {
    stack: Stack;
    variable: string;
    names: string[];
    order: number[];
    axisName: string;
}) {
    const [look, setLook] = useState<BoxLook>({
        isUpright: false,
        hasNotches: false,
        isWideByN: false,
        hasNumbers: true,
        isToExtremes: false,
    });
    const word = (key: keyof BoxLook, name: string, off: string, on: string, sentence?: string) => (
        <WordChoice
            name={name}
            options={[
                { value: 'no', words: off },
                { value: 'yes', words: on, ...(sentence === undefined ? {} : { sentence }) },
            ]}
            value={look[key] ? 'yes' : 'no'}
            onChange={(value) => setLook({ ...look, [key]: value === 'yes' })}
        />
    );
    return (
        <PlotPart title="Box plots">
            <p className="mb-2 text-small text-soft">
                Boxes {word('isUpright', 'Boxes', 'lie', 'stand')},{' '}
                {word(
                    'hasNotches',
                    'Notches',
                    'without notches',
                    'with notches',
                    'Median ± 1.57 IQR / √n: where two do not overlap, the medians are unlike.',
                )}
                ,{' '}
                {word(
                    'isWideByN',
                    'Thickness',
                    'all as thick',
                    'as thick as √n',
                    'So a box of few rows does not weigh as much as one of many.',
                )}
                , {word('isToExtremes', 'Whiskers', 'whiskers to the last value inside the fences', 'whiskers to the extremes')},{' '}
                {word('hasNumbers', 'Numbers', 'without numbers', 'with their five numbers')}.
            </p>
            <BoxPlots
                boxes={order.flatMap((i) => {
                    const box = stack.lanes[i]?.box ?? null;
                    return box === null ? [] : [{ name: names[i] ?? '', lane: i, box }];
                })}
                axis={stack.axis}
                axisName={axisName}
                look={look}
                variable={variable}
            />
        </PlotPart>
    );
}
