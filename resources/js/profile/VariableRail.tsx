import clsx from 'clsx';
import { Checkbox } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Variable } from '../api/client';
import { MicroPlot } from '../plot/MicroPlot';
import { counted } from '../ui/format';
import { Tick, WordChoice } from '../ui/WordChoice';

const MANY = 12;
const NOTHING = '';

/** The variables, each with its type, its micro-plot and what is missing; and on top, what splits the rows. */
export function VariableRail({
    variables,
    rows,
    chosen,
    by,
    onShowOnly,
    onToggle,
    onSplit,
}: {
    variables: Variable[];
    rows: number;
    chosen: string[];
    by: string | null;
    onShowOnly: (key: string) => void;
    onToggle: (key: string) => void;
    onSplit: (key: string | null) => void;
}) {
    const [wanted, setWanted] = useState('');
    const finder = useRef<HTMLInputElement>(null);
    useEffect(() => {
        const jump = (event: KeyboardEvent) => {
            const isTyping = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
            if (event.key === '/' && !isTyping && finder.current !== null) {
                event.preventDefault();
                finder.current.focus();
            }
        };
        window.addEventListener('keydown', jump);
        return () => window.removeEventListener('keydown', jump);
    }, []);
    const categories = variables.filter((variable) => variable.type === 'category');
    const shown = variables.filter((variable) => variable.name.toLocaleLowerCase().includes(wanted.toLocaleLowerCase()));
    return (
        <aside
            aria-label="Variables"
            className="flex w-66 shrink-0 flex-col border-r border-hair pt-3 max-md:max-h-56 max-md:w-auto max-md:border-r-0 max-md:border-b"
        >
            <div className="mx-4 flex items-baseline justify-between gap-3 border-b border-hair pb-2.5">
                <span className="shrink-0 text-small text-soft">split by</span>
                {categories.length === 0 ? (
                    <span className="text-small text-soft">no category to split by</span>
                ) : (
                    <WordChoice
                        name="Split by"
                        className="max-w-40 truncate"
                        options={[
                            { value: NOTHING, words: 'nothing' },
                            ...categories.map((variable) => ({
                                value: variable.key,
                                words: variable.name,
                                sentence:
                                    counted(variable.labels?.length ?? 0, 'group') +
                                    (variable.missing > 0 ? ' and rows without an entry' : ''),
                            })),
                        ]}
                        value={by ?? NOTHING}
                        onChange={(key) => onSplit(key === NOTHING ? null : key)}
                    />
                )}
            </div>
            {variables.length > MANY && (
                <input
                    ref={finder}
                    type="search"
                    value={wanted}
                    onChange={(event) => setWanted(event.target.value)}
                    placeholder="find a variable   /"
                    aria-label="Find a variable"
                    className="mx-4 mt-2.5 rounded-md border border-hair-strong bg-surface px-2.5 py-1 text-small"
                />
            )}
            <ul className="min-h-0 flex-1 overflow-y-auto py-2">
                {shown.map((variable) => (
                    <RailRow
                        key={variable.key}
                        variable={variable}
                        rows={rows}
                        isChosen={chosen.includes(variable.key)}
                        onShowOnly={() => onShowOnly(variable.key)}
                        onToggle={() => onToggle(variable.key)}
                    />
                ))}
                {shown.length === 0 && <li className="px-4 py-2 text-small text-soft">No variable has “{wanted}” in its name.</li>}
            </ul>
        </aside>
    );
}

function RailRow({
    variable,
    rows,
    isChosen,
    onShowOnly,
    onToggle,
}: {
    variable: Variable;
    rows: number;
    isChosen: boolean;
    onShowOnly: () => void;
    onToggle: () => void;
}) {
    const missing = variable.missing === 0 ? '' : `, ${counted(variable.missing, 'row')} of ${rows} without a value`;
    return (
        <li className={clsx('flex h-9 items-center gap-2 pr-4 pl-4', isChosen && 'bg-accent-wash')}>
            <Checkbox.Root
                checked={isChosen}
                onCheckedChange={onToggle}
                aria-label={`Show ${variable.name} too`}
                className="grid size-4 shrink-0 place-items-center rounded-sm border border-hair-strong bg-surface data-[state=checked]:border-accent data-[state=checked]:bg-accent"
            >
                <Checkbox.Indicator className="text-on-accent">
                    <Tick />
                </Checkbox.Indicator>
            </Checkbox.Root>
            <button
                type="button"
                title={`${variable.name}: ${variable.type}${missing}`}
                onClick={onShowOnly}
                className="flex min-w-0 flex-1 items-center gap-2 self-stretch text-left"
            >
                <span className="min-w-0 flex-1 truncate">
                    <bdi>{variable.name}</bdi>{' '}
                    <span className="text-fine text-soft">{variable.type === 'number' ? (variable.unit ?? '') : variable.type}</span>
                </span>
                <span className="w-16 shrink-0">
                    <MicroPlot counts={variable.sketch} isMuted={!isChosen} />
                    <MissingShare missing={variable.missing} rows={rows} />
                </span>
            </button>
        </li>
    );
}

/** A hairline under the micro-plot, as long as the share of rows without a value. */
function MissingShare({ missing, rows }: { missing: number; rows: number }) {
    return missing === 0 ? null : (
        <span aria-hidden="true" className="mt-px block h-0.5 bg-alarm" style={{ width: `max(2px, ${(100 * missing) / rows}%)` }} />
    );
}
