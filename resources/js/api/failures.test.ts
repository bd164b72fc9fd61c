import { MutationObserver, QueryClient } from '@tanstack/react-query';
import { beforeEach, expect, test } from 'vitest';
import { failures, mutationCache } from './failures';

const queries = new QueryClient({ mutationCache });

/** Something that is asked for and fails so many times. */
function asked(fails: number, meta: { isSaidInPlace?: boolean } = {}) {
    const done: string[] = [];
    const observer = new MutationObserver(queries, {
        meta,
        retry: false,
        mutationFn: (what: string) => (fails-- > 0 ? Promise.reject(new Error(`No ${what}.`)) : Promise.resolve(done.push(what))),
    });
    return { done, ask: (what: string) => observer.mutate(what).catch(() => null) };
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

beforeEach(() => failures.dismiss());

test('what failed is told, asked for again with the same words, and forgotten when it went well', async () => {
    const { ask, done } = asked(2);
    await ask('renaming');
    expect(failures.last()?.sentence).toBe('No renaming.');
    failures.last()?.again();
    await settled();
    expect(failures.last()?.sentence).toBe('No renaming.');
    failures.last()?.again();
    await settled();
    expect(failures.last()).toBeNull();
    expect(done).toEqual(['renaming']);
});

test('what is said beside the thing itself is not told twice', async () => {
    await asked(1, { isSaidInPlace: true }).ask('sign-in');
    expect(failures.last()).toBeNull();
});

test('of two failures the last is told, and another that went well does not take it away', async () => {
    await asked(1).ask('first');
    await asked(1).ask('second');
    await asked(0).ask('third');
    expect(failures.last()?.sentence).toBe('No second.');
});
