import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { api, bodyOf, type Dataset, Refusal } from '../api/client';
import { datasetKey, DATASETS } from '../api/datasets';

export interface ChangeWords {
    kind: string;
    [word: string]: unknown;
}

export interface Trouble {
    change: ChangeWords;
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

    const refresh = useCallback(async () => {
        await queries.invalidateQueries({ queryKey: datasetKey(dataset) });
        await Promise.all(
            ['rows', 'changes', 'ends', 'labels', 'check'].map((key) => queries.invalidateQueries({ queryKey: [key, dataset] })),
        );
        void queries.invalidateQueries({ queryKey: DATASETS });
    }, [queries, dataset]);

    const change = useCallback(
        (words: ChangeWords): Promise<boolean> => {
            setBusy((before) => before + 1);
            const done = queue.current.then(async () => {
                const revision = queries.getQueryData<Dataset>(datasetKey(dataset))?.revision ?? 0;
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
                    setTrouble({ change: words, refusal: reason instanceof Refusal ? reason : new Refusal(0, String(reason)) });
                    if (reason instanceof Refusal && reason.status === 409) {
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
    return { change, trouble, dismiss: () => setTrouble(null), isBusy: busy > 0 };
}
