import clsx from 'clsx';
import type { Stack, Variable } from '../api/client';
import { Button } from '../ui/Button';
import { BoxesPart } from './BoxesPart';
import type { Asked } from './PlotPart';
import type { Question } from './question';
import { ScenesPart } from './ScenesPart';
import { SlopesPart } from './SlopesPart';
import { StemsPart } from './StemsPart';

const kinds = [
    { key: 'boxes', words: 'Box plots' },
    { key: 'stems', words: 'Stem-and-leaf' },
    { key: 'dots', words: 'Dot plot' },
    { key: 'qq', words: 'Normal Q–Q' },
    { key: 'strips', words: 'Ordered strip' },
    { key: 'steps', words: 'Share at or below' },
    { key: 'slopes', words: 'Slope lines' },
] as const;

/** More pictures of one variable, opened one by one; which are open stands in the address. */
export function MorePlots({
    stack,
    order,
    numbers,
    labelsOf,
    onAsk,
    ...asked
}: Asked & {
    stack: Stack;
    order: number[];
    numbers: Variable[];
    labelsOf: (where: string) => Promise<string>;
    onAsk: (change: Partial<Question>) => void;
}) {
    const own = numbers.find((variable) => variable.key === asked.variable);
    // What is measured alike comes first: that is what changes from before to after.
    const others = numbers
        .filter((variable) => variable.key !== asked.variable)
        .sort((a, b) => Number(b.unit === own?.unit) - Number(a.unit === own?.unit));
    const open = asked.question.plots;
    return (
        <section aria-label={`More plots of ${asked.axisName}`} className="mt-6">
            <p className="flex flex-wrap items-center gap-1.5 text-small">
                <span className="mr-2 text-soft">More plots</span>
                {kinds
                    .filter(({ key }) => key !== 'slopes' || others.length > 0)
                    .map(({ key, words }) => (
                        <Button
                            key={key}
                            aria-pressed={open.includes(key)}
                            className={clsx('py-1!', open.includes(key) && 'border-accent! bg-accent-wash')}
                            onClick={() => onAsk({ plots: open.includes(key) ? open.filter((other) => other !== key) : [...open, key] })}
                        >
                            {words}
                        </Button>
                    ))}
            </p>
            {open.includes('boxes') && (
                <BoxesPart stack={stack} variable={asked.variable} names={asked.names} order={order} axisName={asked.axisName} />
            )}
            {open.includes('stems') && <StemsPart {...asked} variableName={own?.name ?? ''} labelsOf={labelsOf} />}
            {open.includes('dots') && <ScenesPart kind="dots" title="Dot plot" {...asked} />}
            {open.includes('qq') && <ScenesPart kind="qq" title="Normal Q–Q" {...asked} />}
            {open.includes('strips') && <ScenesPart kind="strips" title="Ordered strip" {...asked} />}
            {open.includes('steps') && <ScenesPart kind="steps" title="Share at or below" {...asked} />}
            {open.includes('slopes') && <SlopesPart {...asked} others={others} />}
        </section>
    );
}
