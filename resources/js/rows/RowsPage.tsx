import { areOn, isTakenBy } from '../ui/shortcuts';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useParams } from 'wouter';
import { useAddress } from '../ui/useAddress';
import { Account } from '../account/Account';
import { useDataset } from '../api/datasets';
import { PeopleHere } from '../asking/PeopleHere';
import { CopiedNote } from '../ui/copying';
import { count, counted } from '../ui/format';
import { MayChange } from '../ui/mayChange';
import { Notice } from '../ui/Notice';
import { Places } from '../ui/Places';
import { TopBar } from '../ui/TopBar';
import { useChanges } from './changes';
import { DatasetTitle } from './DatasetTitle';
import { Grid, type GridHandle } from './Grid';
import { PanelChoice, SidePanel } from './SidePanel';
import { RowsLine } from './RowsLine';
import { UnderWayLine } from './UnderWayLine';
import { TroubleDialog } from './TroubleDialog';
import { viewWords } from './queries';
import { readView, type View, writeView } from './view';
import { RowWord } from './RowWord';

/** As the server has it. */
const MOST_ROWS = 10_000;

/** The rows themselves: looked through, put right, and added to. */
export function RowsPage() {
    const id = Number(useParams().dataset);
    const [address, setAddress] = useAddress();
    const view = useMemo(() => readView(address), [address]);
    const show = (change: Partial<View>) => setAddress(writeView({ ...view, ...change }), { replace: change.where === undefined });
    const dataset = useDataset(id);
    const changes = useChanges(id);
    const grid = useRef<GridHandle>(null);
    const [selected, setSelected] = useState<{ from: number; to: number } | null>(null);
    useEffect(() => {
        document.title = `${dataset.data?.title ?? 'Rows'}: rows · Row Tally`;
    }, [dataset.data?.title]);
    useEffect(() => {
        const undo = (event: KeyboardEvent) => {
            const isTyping = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
            const isSign = event.key === '~' && areOn() && !isTakenBy(document.activeElement);
            if (isSign || (!isTyping && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z')) {
                event.preventDefault();
                void changes.change({ kind: event.shiftKey && !isSign ? 'redo' : 'undo' });
            }
        };
        // Before what listens to the signs of all places.
        window.addEventListener('keydown', undo, true);
        return () => window.removeEventListener('keydown', undo, true);
    }, [changes]);
    const onRows = ({ from, to }: { from: number; to: number }, remedy: string, change: (rows: number[]) => unknown) => {
        if (to - from >= MOST_ROWS) {
            changes.refuse(`At most ${count(MOST_ROWS)} rows can be ${remedy}`);
            return;
        }
        setSelected(null);
        void grid.current
            ?.rowNumbers(from, to)
            .then(change, (reason: unknown) => changes.refuse(reason instanceof Error ? reason.message : String(reason)));
    };
    const shown = useMemo(
        () => (dataset.data?.variables ?? []).filter((variable) => !view.hidden.includes(variable.key)),
        [dataset.data?.variables, view.hidden],
    );
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                {dataset.data !== undefined && <DatasetTitle key={`${id}:${dataset.data.title}`} dataset={dataset.data} />}
                {dataset.data !== undefined && (
                    <span className="shrink-0 text-small text-soft max-md:hidden">
                        <RowWord dataset={dataset.data} /> × {counted(dataset.data.variables.length, 'variable')}
                    </span>
                )}
                <Places dataset={id} here="rows" />
                {dataset.data !== undefined && <PeopleHere dataset={dataset.data} place="rows" />}
            </TopBar>
            <main className="flex min-h-0 flex-1 flex-col">
                {dataset.isError && (
                    <div className="px-6">
                        <Notice onRetry={() => void dataset.refetch()}>{dataset.error.message}</Notice>
                    </div>
                )}
                {dataset.data !== undefined && (
                    <MayChange value={dataset.data.role !== 'reader'}>
                        <UnderWayLine />
                        <RowsLine
                            dataset={dataset.data}
                            view={view}
                            onShow={show}
                            onGo={(place) => grid.current?.go(place)}
                            here={() => grid.current?.here() ?? 0}
                            onBringAllBack={() => void changes.change({ kind: 'bring-back' })}
                        />
                        <PanelChoice
                            open={view.panel}
                            onOpen={(panel) => show({ panel: panel === view.panel ? null : panel })}
                            selected={selected}
                            view={view}
                            isBusy={changes.isBusy}
                            isHeld={changes.unsent.some(({ why }) => why !== null)}
                            setAside={dataset.data.set_aside}
                            onSetAside={(rows, reason) =>
                                onRows(rows, 'set aside at once. Select fewer, or leave them out by a condition.', (numbers) =>
                                    changes.change({ kind: 'set-aside', rows: numbers, reason }),
                                )
                            }
                            onBringBack={(rows) =>
                                onRows(rows, 'brought back at once. Select fewer, or bring all of them back.', (numbers) =>
                                    changes.change({ kind: 'bring-back', rows: numbers }),
                                )
                            }
                            onDelete={(rows) =>
                                onRows(
                                    rows,
                                    'deleted at once. Select fewer, or take out the rows that are to stay and bring them in as a dataset.',
                                    (numbers) => changes.change({ kind: 'delete-rows', rows: numbers }),
                                )
                            }
                        />
                        <div className="flex min-h-0 flex-1">
                            <Grid
                                key={JSON.stringify(viewWords(view))}
                                ref={grid}
                                dataset={dataset.data}
                                variables={shown}
                                view={view}
                                onShow={show}
                                unsent={changes.unsent}
                                onChange={changes.change}
                                onRefuse={changes.refuse}
                                onSelect={setSelected}
                            />
                            {view.panel !== null && (
                                <SidePanel
                                    dataset={dataset.data}
                                    view={view}
                                    onShow={show}
                                    onChange={changes.change}
                                    onGo={(row, key) => grid.current?.go(row - 1, key)}
                                    isBusy={changes.isBusy}
                                />
                            )}
                        </div>
                    </MayChange>
                )}
            </main>
            <CopiedNote />
            {changes.trouble !== null && (
                <TroubleDialog
                    trouble={changes.trouble}
                    onChange={changes.change}
                    onClose={changes.dismiss}
                    onBack={() => grid.current?.reopen()}
                />
            )}
        </div>
    );
}
