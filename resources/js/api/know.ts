import type { QueryClient, QueryKey } from '@tanstack/react-query';

/**
 * Puts what a change was answered into what is known. What was asked before and is still on its way tells of the time before the
 * change: it must not come over the answer, for nobody may ask again.
 */
export async function know(queries: QueryClient, queryKey: QueryKey, answer: unknown): Promise<void> {
    // Waited for: a question that is given up puts back what was known when it was asked.
    await queries.cancelQueries({ queryKey, exact: true });
    queries.setQueryData(queryKey, answer);
}
