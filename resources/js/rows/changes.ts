import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';
import { api, bodyOf, type Dataset, type LongChange, Refusal } from '../api/client';
import { datasetKey, datasetQuery, DATASETS, useDataset } from '../api/datasets';
import { type ChangeWords, outbox, type Unsent, useTrouble, useUnsent } from '../api/outbox';
import { tell } from '../ui/told';
import { rowsKey } from './queries';
import { leaveBehind, madeHere, revisionSeen } from './seen';
import { underWay } from './underWay';

const LOOK_EVERY_MS = 400;

export type { ChangeWords, Trouble } from '../api/outbox';

async function refresh(queries: QueryClient, dataset: number): Promise<void> {
    queries.removeQueries({ queryKey: rowsKey(dataset), type: 'inactive' });
    await queries.invalidateQueries({ queryKey: datasetKey(dataset) });
    await Promise.all(['rows', 'changes', 'ends', 'labels', 'check'].map((key) => queries.invalidateQueries({ queryKey: [key, dataset] })));
    void queries.invalidateQueries({ queryKey: DATASETS });
}

/** Follows a change that a worker makes to its end. */
async function ended(dataset: number, first: LongChange, words: ChangeWords) {
    const path = { dataset, longChange: first.id };
    try {
        for (let now = first; ;) {
            if (now.change !== null) {
                return now.change;
            }
            if (now.status === 'stopped') {
                throw new Refusal(422, 'It was stopped; nothing was changed.', null, ['stopped']);
            }
            if (now.status === 'failed') {
                throw new Refusal(422, now.message ?? 'It was not made; nothing was changed.', null, ['failed']);
            }
            underWay.set({
                name: typeof words.name === 'string' ? words.name : null,
                share: now.share,
                stop: () => void api.POST('/datasets/{dataset}/changes/under-way/{longChange}/stop', { params: { path } }),
            });
            await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
            now = bodyOf(await api.GET('/datasets/{dataset}/changes/under-way/{longChange}', { params: { path } }));
        }
    } finally {
        underWay.set(null);
    }
}

/** Sends one change on top of the rows that were seen. */
async function send(
    queries: QueryClient,
    { dataset, words, name, revision }: Unsent,
    sentOn: (revision: number) => void,
    made: () => void,
): Promise<void> {
    // One that was sent before without an answer may have been made: by its name and on its old revision it is not made twice.
    // One that never was is made on what is there once that is known: a page that was just loaded knows nothing yet.
    if (revision === null) {
        await queries.query({ ...datasetQuery(dataset), staleTime: 'static' });
    }
    const on = revision ?? revisionSeen(queries, dataset);
    sentOn(on);
    try {
        const first = bodyOf(
            await api.POST('/datasets/{dataset}/changes', {
                params: { path: { dataset } },
                headers: { 'Idempotency-Key': name },
                body: { revision: on, ...words } as never,
            }),
        );
        const answer = 'share' in first ? await ended(dataset, first, words) : first;
        made();
        madeHere(dataset, answer.revision);
        tell(answer.summary);
        queries.setQueryData<Dataset>(
            datasetKey(dataset),
            (before) => before && { ...before, revision: answer.revision, rows: answer.rows },
        );
        await refresh(queries, dataset);
    } catch (reason) {
        if (reason instanceof Refusal && reason.codes.length > 0 && reason.codes.every((code) => code === 'no-change')) {
            return;
        }
        if (reason instanceof Refusal && reason.status === 409) {
            await refresh(queries, dataset);
        }
        throw reason;
    }
}

/** From now on the changes of a dataset are sent, whatever is shown. */
export function sendChanges(queries: QueryClient, dataset: number): void {
    outbox.sendBy(dataset, (change, sentOn, made) => send(queries, change, sentOn, made));
}

/** Changes of a dataset: sent one after the other, and kept until they are made, refused or given up (see `outbox`). */
export function useChanges(dataset: number) {
    const queries = useQueryClient();
    const unsent = useUnsent(dataset);
    const trouble = useTrouble(dataset);
    const isBusy = unsent.length > 0;
    const current = useDataset(dataset).data?.revision;
    useEffect(() => sendChanges(queries, dataset), [queries, dataset]);
    useEffect(() => {
        if (current !== undefined && !isBusy) {
            leaveBehind(queries, dataset, current);
        }
    }, [queries, dataset, current, isBusy]);
    const change = useCallback((words: ChangeWords) => outbox.add(dataset, words), [dataset]);
    const refuse = useCallback((sentence: string) => outbox.refuse(dataset, new Refusal(0, sentence)), [dataset]);
    return { change, refuse, trouble, dismiss: () => outbox.dismiss(dataset), isBusy, unsent };
}
