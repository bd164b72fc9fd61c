import { QueryClient } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { know } from './know';

test('an older answer that is still on its way does not come over that of a change', async () => {
    const queries = new QueryClient();
    queries.setQueryData(['imports', 1], 'waiting');
    let answer: (status: string) => void = () => undefined;
    const asked = queries
        .query({ queryKey: ['imports', 1], queryFn: () => new Promise<string>((resolve) => (answer = resolve)), staleTime: 0 })
        .catch(() => 'given up');
    await know(queries, ['imports', 1], 'cancelled');
    answer('waiting');
    await asked;
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(queries.getQueryData(['imports', 1])).toBe('cancelled');
});
