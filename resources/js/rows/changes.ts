import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, bodyOf, type Dataset, Refusal } from '../api/client';
import { datasetKey, DATASETS, useDataset } from '../api/datasets';
import { rowsKey } from './queries';
import { leaveBehind, revisionSeen } from './seen';

export interface ChangeWords {
    kind: string;
    [word: string]: unknown;
}

export interface Trouble {
    /** What was refused, and what was waiting behind it. */
    changes: ChangeWords[];
    refusal: Refusal;
}

/**
 * Sends changes one after the other, each on top of the one before. One that is refused stops there and is kept, so that the
 * person can decide about it: nothing that was typed is lost.
 */
export function useChanges(dataset: number) {
    const queries = useQueryClient();
    const queue = useRef<Promise<unknown>>(Promise.resolve());
    const [trouble, setTrouble] = useState<Trouble | null>(null);
    const [busy, setBusy] = useState(0);
    /** Counts the clashes: what was typed before one was seen must not slip in after it. */
    const clashes = useRef(0);

    const current = useDataset(dataset).data?.revision;
    useEffect(() => {
        if (current !== undefined && busy === 0) {
            leaveBehind(queries, dataset, current);
        }
    }, [queries, dataset, current, busy]);

    const refresh = useCallback(async () => {
        queries.removeQueries({ queryKey: rowsKey(dataset), type: 'inactive' });
        await queries.invalidateQueries({ queryKey: datasetKey(dataset) });
        await Promise.all(
            ['rows', 'changes', 'ends', 'labels', 'check'].map((key) => queries.invalidateQueries({ queryKey: [key, dataset] })),
        );
        void queries.invalidateQueries({ queryKey: DATASETS });
    }, [queries, dataset]);

    const change = useCallback(
        (words: ChangeWords): Promise<boolean> => {
            setBusy((before) => before + 1);
            const typedAt = clashes.current;
            const done = queue.current.then(async () => {
                if (typedAt !== clashes.current) {
                    setTrouble((before) => before && { ...before, changes: [...before.changes, words] });
                    setBusy((before) => before - 1);
                    return false;
                }
                const revision = revisionSeen(queries, dataset);
                try {
                    const answer = bodyOf(
                        await api.POST('/datasets/{dataset}/changes', {
                            params: { path: { dataset } },
                            body: { revision, ...words } as never,
                        }),
                    );
                    queries.setQueryData<Dataset>(
                        datasetKey(dataset),
                        (before) => before && { ...before, revision: answer.revision, rows: answer.rows },
                    );
                    await refresh();
                    return true;
                } catch (reason) {
                    const refusal = reason instanceof Refusal ? reason : new Refusal(0, String(reason));
                    if (refusal.codes.length > 0 && refusal.codes.every((code) => code === 'no-change')) {
                        return true;
                    }
                    setTrouble({ changes: [words], refusal });
                    if (refusal.status === 409) {
                        clashes.current += 1;
                        await refresh();
                    }
                    return false;
                } finally {
                    setBusy((before) => before - 1);
                }
            });
            queue.current = done;
            return done;
        },
        [queries, dataset, refresh],
    );
    const refuse = useCallback((sentence: string) => setTrouble({ changes: [], refusal: new Refusal(0, sentence) }), []);
    return { change, refuse, trouble, dismiss: () => setTrouble(null), isBusy: busy > 0 };
}
