import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, bodyOf, type FigureField } from '../api/client';
import { fieldKey } from './document';

/** What figures show by now, by `fieldKey`; the last ones stay while others are on their way. */
export function useFields(dataset: number, revision: number, fields: FigureField[]) {
    const answer = useQuery({
        queryKey: ['fields', dataset, revision, fields],
        queryFn: async ({ signal }) => {
            const { fields: shown } = bodyOf(
                await api.POST('/datasets/{dataset}/fields', { params: { path: { dataset } }, body: { fields }, signal }),
            );
            return new Map(fields.map((field, i) => [fieldKey(field), shown[i]]));
        },
        enabled: fields.length > 0,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
    return { shown: answer.data ?? new Map<string, never>(), error: answer.error, refetch: answer.refetch };
}

export type Shown = ReturnType<typeof useFields>['shown'];

/** What stands in the sentence: the figure, or why there is none. */
export function fieldText(shown: { name: string; text: string | null; why: string | null } | undefined): string {
    return shown === undefined ? '…' : (shown.text ?? `[no ${shown.name}: ${shown.why ?? ''}]`);
}
