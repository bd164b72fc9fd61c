import { useRef } from 'react';
import type { Dataset } from '../api/client';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { useMayChange } from '../ui/mayChange';
import { usePanelFocus } from '../ui/usePanelFocus';
import { ReasonEntry } from '../ui/ReasonEntry';
import type { ChangeWords } from './changes';
import { ChangesPanel } from './ChangesPanel';
import { CheckPanel } from './CheckPanel';
import { MakePanel } from './MakePanel';
import { OutPanel } from './OutPanel';
import { VariablePanel } from './VariablePanel';
import type { Panel, View } from './view';

const words: Record<Panel, string> = {
    check: 'Entry check',
    variable: 'Variable',
    make: 'Make a variable',
    changes: 'Changes',
    out: 'Take out',
};

/** What can be opened beside the rows, and what can be done with those that are selected. */
export function PanelChoice({
    open,
    onOpen,
    selected,
    view,
    isBusy,
    isHeld,
    setAside,
    onSetAside,
    onBringBack,
    onDelete,
}: {
    open: Panel | null;
    onOpen: (panel: Panel) => void;
    selected: { from: number; to: number } | null;
    view: View;
    isBusy: boolean;
    /** Whether changes wait for the server to be there again. */
    isHeld: boolean;
    /** How many rows of the dataset are set aside. */
    setAside: number;
    onSetAside: (selected: { from: number; to: number }, reason: string) => void;
    onBringBack: (selected: { from: number; to: number }) => void;
    onDelete: (selected: { from: number; to: number }) => void;
}) {
    const mayChange = useMayChange();
    const size = selected === null || !mayChange ? 0 : selected.to - selected.from + 1;
    return (
        <div className="flex shrink-0 flex-wrap items-center gap-1 border-b border-hair px-3 py-1">
            {(['check', 'variable', ...(mayChange ? (['make'] as const) : []), 'changes', 'out'] as const).map((panel) => (
                <Button
                    key={panel}
                    look="quiet"
                    aria-pressed={open === panel}
                    className={open === panel ? 'bg-accent-wash! text-ink!' : ''}
                    onClick={() => onOpen(panel)}
                >
                    {words[panel]}
                </Button>
            ))}
            <span role="status" className="ml-auto text-small text-soft">
                {isHeld ? 'Not saved yet' : isBusy ? 'Saving …' : ''}
            </span>
            {selected !== null && size > 0 && (
                <span className="ml-3 text-body">
                    <ReasonEntry
                        label={`Set ${counted(size, 'row')} aside`}
                        words={`Set ${counted(size, 'row')} aside`}
                        isOne={size === 1}
                        onReason={(reason) => onSetAside(selected, reason)}
                    />
                </span>
            )}
            {selected !== null && size > 0 && setAside > 0 && (
                <Button look="quiet" disabled={isBusy} onClick={() => onBringBack(selected)}>
                    Bring back
                </Button>
            )}
            {selected !== null && size > 0 && (
                <Button
                    look="quiet"
                    disabled={isBusy}
                    onClick={() => onDelete(selected)}
                    title={view.where === '' ? undefined : 'Deletes the rows themselves, not only from this view'}
                >
                    Delete {counted(size, 'row')}
                </Button>
            )}
        </div>
    );
}

export function SidePanel({
    dataset,
    view,
    onShow,
    onChange,
    onGo,
    isBusy,
}: {
    dataset: Dataset;
    view: View;
    onShow: (change: Partial<View>) => void;
    onChange: (change: ChangeWords) => Promise<boolean>;
    /** Puts the cursor on a cell. */
    onGo: (row: number, key: string) => void;
    isBusy: boolean;
}) {
    const mayChange = useMayChange();
    const place = useRef<HTMLElement>(null);
    usePanelFocus(place, view.panel ?? '');
    const close = () => onShow({ panel: null });
    const variable = dataset.variables.find(({ key }) => key === view.variable) ?? dataset.variables[0];
    return (
        <section
            aria-label={view.panel === null ? undefined : words[view.panel]}
            ref={place}
            onKeyDown={(event) =>
                event.key === 'Escape' &&
                !event.defaultPrevented &&
                event.target instanceof HTMLElement &&
                event.target.tabIndex === -1 &&
                close()
            }
            className="relative w-96 shrink-0 overflow-y-auto border-l border-hair px-4.5 py-3 small:fixed small:inset-0 small:z-15 small:w-auto small:bg-paper"
        >
            <Button look="quiet" className="absolute top-2 right-2 px-2! py-1! text-small" onClick={close}>
                Close
            </Button>
            {view.panel === 'check' && <CheckPanel dataset={dataset} onShow={onShow} onGo={onGo} />}
            {!mayChange && (view.panel === 'variable' || view.panel === 'changes') && (
                <p className="mb-2 text-small text-soft">You may read it: nothing here can be changed by you.</p>
            )}
            <fieldset disabled={!mayChange && view.panel !== 'check' && view.panel !== 'out'} className="contents">
                {view.panel === 'variable' && variable !== undefined && (
                    <VariablePanel
                        key={`${dataset.id}:${variable.key}`}
                        dataset={dataset}
                        variable={variable}
                        view={view}
                        onShow={onShow}
                        onChange={onChange}
                        isBusy={isBusy}
                    />
                )}
                {view.panel === 'make' && mayChange && <MakePanel dataset={dataset} onChange={onChange} isBusy={isBusy} />}
                {view.panel === 'changes' && <ChangesPanel dataset={dataset} onChange={onChange} isBusy={isBusy} />}
                {view.panel === 'out' && <OutPanel dataset={dataset} view={view} />}
            </fieldset>
        </section>
    );
}
