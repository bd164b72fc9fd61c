import { OneStop } from '../ui/OneStop';
import clsx from 'clsx';
import { Checkbox } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import type { Variable } from '../api/client';
import { MicroPlot } from '../plot/MicroPlot';
import { counted } from '../ui/format';
import { Button } from '../ui/Button';
import { focusOn } from '../ui/useFocusKept';
import { Tick } from '../ui/Tick';
import { WordChoice } from '../ui/WordChoice';

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
    const [isOpen, setIsOpen] = useState(false);
    const drawer = useRef<HTMLElement>(null);
    const opener = useRef<HTMLButtonElement>(null);
    useEffect(() => {
        if (isOpen && drawer.current !== null) {
            focusOn(drawer.current);
        }
    }, [isOpen]);
    const close = () => {
        setIsOpen(false);
        opener.current?.focus();
    };
    const place = variables.findIndex(({ key }) => key === chosen[0]);
    const before = variables[place - 1] ?? null;
    const behind = variables[place + 1] ?? null;
    const names = variables.filter(({ key }) => chosen.includes(key)).map(({ name }) => name);
    const shown = variables.filter((variable) => variable.name.toLocaleLowerCase().includes(wanted.toLocaleLowerCase()));
    return (
        <>
            <p className="hidden items-baseline gap-2 border-b border-hair px-4.5 py-1.5 small:flex">
                <button
                    ref={opener}
                    type="button"
                    aria-expanded={isOpen}
                    aria-label={`Variables: ${names.join(', ') || 'all at a glance'}`}
                    className="min-h-6 min-w-0 truncate border-b-2 border-accent text-left font-semibold"
                    onClick={() => setIsOpen(!isOpen)}
                >
                    {names.join(', ') || 'All variables at a glance'}
                </button>
            </p>
            <aside
                ref={drawer}
                aria-label="Variables"
                onKeyDown={(event) => event.key === 'Escape' && isOpen && !event.defaultPrevented && close()}
                className={clsx(
                    'flex w-66 shrink-0 flex-col border-r border-hair pt-3',
                    'small:fixed small:inset-y-0 small:left-0 small:z-15 small:w-80 small:max-w-[92vw] small:overflow-y-auto small:bg-paper small:shadow-lg',
                    !isOpen && 'small:hidden',
                )}
            >
                <Button className="mx-4 mb-2 hidden! self-start small:inline-flex!" onClick={close}>
                    Close
                </Button>
                <SplitChoice variables={variables} by={by} noEntry={noEntry} onSplit={onSplit} onNoEntry={onNoEntry} />
                <button
                    type="button"
                    aria-pressed={chosen.length === 0}
                    onClick={() => {
                        onOverview();
                        setIsOpen(false);
                    }}
                    className={clsx(
                        'mx-2 mt-2 rounded-md px-2 py-1.5 text-left',
                        chosen.length === 0 ? 'bg-accent-wash font-semibold' : 'hover:bg-accent-wash',
                    )}
                >
                    All variables at a glance
                </button>
                {variables.length > 1 && (
                    <input
                        data-shortcut="find"
                        type="search"
                        value={wanted}
                        onChange={(event) => setWanted(event.target.value)}
                        placeholder="find a variable   /"
                        aria-label="Find a variable"
                        className="mx-4 mt-2.5 rounded-md border border-hair-strong bg-surface px-2.5 py-1 text-small"
                    />
                )}
                {variables.length > 1 && (
                    <OneStop shape="line" className="mx-4 mt-1.5 flex gap-3 text-small text-soft">
                        {[
                            { mark: 'previous', words: 'Previous', to: before },
                            { mark: 'next', words: 'Next', to: behind },
                        ].map(({ mark, words, to }) => (
                            <button
                                key={mark}
                                type="button"
                                data-shortcut={mark}
                                title={to?.name}
                                disabled={to === null}
                                className="min-h-6 underline-offset-4 hover:text-ink hover:underline disabled:opacity-50"
                                onClick={() => to !== null && onShowOnly(to.key)}
                            >
                                {words}
                            </button>
                        ))}
                    </OneStop>
                )}
                <OneStop className="min-h-0 flex-1 overflow-y-auto py-2">
                    <ul>
                        {shown.map((variable) => (
                            <RailRow
                                key={variable.key}
                                variable={variable}
                                rows={rows}
                                isChosen={chosen.includes(variable.key)}
                                onShowOnly={() => {
                                    onShowOnly(variable.key);
                                    setIsOpen(false);
                                }}
                                onToggle={() => onToggle(variable.key)}
                            />
                        ))}
                        {shown.length === 0 && <li className="px-4 py-2 text-small text-soft">No variable has “{wanted}” in its name.</li>}
                    </ul>
                </OneStop>
            </aside>
        </>
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
        <OneStop shape="line" className="mx-4 space-y-1.5 border-b border-hair pb-2.5">
            <span data-shortcut="split" className="block">
                {choice('split by', first, second, (key) =>
                    onSplit(key === NOTHING ? [] : [key, ...(second === undefined ? [] : [second])]),
                )}
            </span>
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
        </OneStop>
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
