import clsx from 'clsx';
import { Checkbox } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Variable } from '../api/client';
import { MicroPlot } from '../plot/MicroPlot';
import { counted } from '../ui/format';
import { Tick } from '../ui/Tick';
import { WordChoice } from '../ui/WordChoice';

const MANY = 12;
const NOTHING = '';

/** The variables, each with its type, its micro-plot and what is missing; and on top, what splits the rows. */
export function VariableRail({
    variables,
    rows,
    chosen,
    by,
    noEntry,
    onOverview,
    onShowOnly,
    onToggle,
    onSplit,
    onNoEntry,
}: {
    variables: Variable[];
    rows: number;
    chosen: string[];
    by: string[];
    /** Whether rows without an entry of a splitting variable are shown as a group. */
    noEntry: string;
    onOverview: () => void;
    onShowOnly: (key: string) => void;
    onToggle: (key: string) => void;
    onSplit: (keys: string[]) => void;
    onNoEntry: (word: string) => void;
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
    const shown = variables.filter((variable) => variable.name.toLocaleLowerCase().includes(wanted.toLocaleLowerCase()));
    return (
        <aside
            aria-label="Variables"
            className="flex w-66 shrink-0 flex-col border-r border-hair pt-3 max-md:max-h-56 max-md:w-auto max-md:border-r-0 max-md:border-b"
        >
            <SplitChoice variables={variables} by={by} noEntry={noEntry} onSplit={onSplit} onNoEntry={onNoEntry} />
            <button
                type="button"
                aria-pressed={chosen.length === 0}
                onClick={onOverview}
                className={clsx(
                    'mx-2 mt-2 rounded-md px-2 py-1.5 text-left',
                    chosen.length === 0 ? 'bg-accent-wash font-semibold' : 'hover:bg-accent-wash',
                )}
            >
                All variables at a glance
            </button>
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

/** What splits the rows: one variable, and another within it. A number splits by its classes. */
function SplitChoice({
    variables,
    by,
    noEntry,
    onSplit,
    onNoEntry,
}: {
    variables: Variable[];
    by: string[];
    noEntry: string;
    onSplit: (keys: string[]) => void;
    onNoEntry: (word: string) => void;
}) {
    const splitting = variables.filter((variable) => variable.type === 'category' || variable.type === 'number');
    if (splitting.length === 0) {
        return <p className="mx-4 border-b border-hair pb-2.5 text-small text-soft">no variable to split by</p>;
    }
    const options = (taken: string | undefined) => [
        { value: NOTHING, words: 'nothing' },
        ...[...splitting]
            .filter((variable) => variable.key !== taken)
            .sort((a, b) => Number(a.type === 'number') - Number(b.type === 'number'))
            .map((variable) => ({
                value: variable.key,
                words: variable.name,
                sentence:
                    variable.type === 'number'
                        ? 'by its classes'
                        : counted(variable.labels?.length ?? 0, 'group') + (variable.missing > 0 ? ' and rows without an entry' : ''),
            })),
    ];
    const [first, second] = by;
    const hasNoEntry = by.some((key) => (variables.find((variable) => variable.key === key)?.missing ?? 0) > 0);
    const choice = (name: string, value: string | undefined, taken: string | undefined, onChange: (key: string) => void) => (
        <span className="flex items-baseline justify-between gap-3">
            <span className="shrink-0 text-small text-soft">{name}</span>
            <WordChoice
                name={`${name[0]?.toUpperCase() ?? ''}${name.slice(1)}`}
                className="max-w-40 truncate"
                options={options(taken)}
                value={value ?? NOTHING}
                onChange={onChange}
            />
        </span>
    );
    return (
        <div className="mx-4 space-y-1.5 border-b border-hair pb-2.5">
            {choice('split by', first, second, (key) => onSplit(key === NOTHING ? [] : [key, ...(second === undefined ? [] : [second])]))}
            {first !== undefined && choice('and within it by', second, first, (key) => onSplit(key === NOTHING ? [first] : [first, key]))}
            {hasNoEntry && (
                <span className="flex items-baseline justify-between gap-3">
                    <span className="shrink-0 text-small text-soft">rows without entry</span>
                    <WordChoice
                        name="Rows without an entry"
                        options={[
                            { value: 'show', words: 'shown', sentence: 'They have a group of their own, behind the others.' },
                            { value: 'hide', words: 'hidden', sentence: 'They still count in the overall figures.' },
                        ]}
                        value={noEntry}
                        onChange={onNoEntry}
                    />
                </span>
            )}
        </div>
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
                    <MicroPlot scene={variable.micro} isMuted={!isChosen} />
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
