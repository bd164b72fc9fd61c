import clsx from 'clsx';
import { conventions } from '../api/conventions';
import { Button } from '../ui/Button';
import type { Asked } from '../asking/PlotPart';
import { groupsAsked, type Question } from '../asking/question';
import { ScenesPart } from '../asking/ScenesPart';

/** More pictures of one variable, opened one by one; which are open stands in the address. */
export function MorePlots({
    labelsOf,
    onAsk,
    onShowRows,
    ...asked
}: Asked & {
    labelsOf: (where: string) => Promise<string>;
    onAsk: (change: Partial<Question>) => void;
    onShowRows: (where: string) => void;
}) {
    const open = asked.question.plots;
    const pictures = conventions.pictures.filter(({ beside }) => beside);
    return (
        <section aria-label={`More plots of ${asked.axisName}`} className="mt-6">
            <p className="flex flex-wrap items-center gap-1.5 text-small">
                <span className="mr-2 text-soft">More plots</span>
                {pictures.map(({ kind, name }) => (
                    <Button
                        key={kind}
                        aria-pressed={open.includes(kind)}
                        className={clsx('py-1!', open.includes(kind) && 'border-accent! bg-accent-wash')}
                        onClick={() => onAsk({ plots: open.includes(kind) ? open.filter((other) => other !== kind) : [...open, kind] })}
                    >
                        {name}
                    </Button>
                ))}
            </p>
            {pictures
                .filter(({ kind }) => open.includes(kind))
                .map(({ kind, name }) => (
                    // What can be chosen is another with other groups.
                    <ScenesPart
                        key={`${kind} ${groupsAsked(asked.question)}`}
                        kind={kind}
                        title={name}
                        labelsOf={labelsOf}
                        onShowRows={onShowRows}
                        {...asked}
                    />
                ))}
        </section>
    );
}
