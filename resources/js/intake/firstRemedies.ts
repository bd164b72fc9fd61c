import type { Reading, ReadingChange } from '../api/client';

/** The first remedy of every kind of cell that could not be read; lists that grow by several of them grow by all. */
export function firstRemedies(reading: Pick<Reading, 'unread'>): ReadingChange[] {
    const changes: ReadingChange[] = [];
    for (const change of reading.unread.flatMap((kind) => kind.remedies[0]?.changes ?? [])) {
        const before = changes.find((other) => other.what === change.what && other.column === change.column);
        if (before === undefined) {
            changes.push({ ...change });
        } else if (Array.isArray(before.value) && Array.isArray(change.value)) {
            before.value = [...new Set<unknown>([...(before.value as unknown[]), ...(change.value as unknown[])])];
        }
    }
    return changes;
}
