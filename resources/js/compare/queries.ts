import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, bodyOf } from '../api/client';
import { DATASETS } from '../api/datasets';
import { type Question, questionWords } from '../asking/question';
import { compareWords, type Comparing } from './comparing';

/** The last answer stays on screen while the next is on its way. */
export function useCompared(dataset: number, revision: number | undefined, question: Question, comparing: Comparing) {
    const words = questionWords(question);
    const compare = compareWords(comparing);
    return useQuery({
        queryKey: ['compared', dataset, revision, words, compare],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/compared', {
                    params: { path: { dataset }, query: { question: words, compareWords: compare } },
                    signal,
                }),
            ),
        enabled: revision !== undefined && comparing.what !== '',
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** Datasets that a variable may be compared with. */
export function useOtherDatasets(isWanted: boolean) {
    return useQuery({
        queryKey: DATASETS,
        queryFn: async () => bodyOf(await api.GET('/datasets')),
        enabled: isWanted,
    });
}
