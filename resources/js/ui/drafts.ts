/** Fields of a form that were typed over, by their names. */
export type Draft = Record<string, unknown>;

export function keyOf(place: string): string {
    return `row-tally-draft ${place}`;
}

export function readDraft(place: string): Draft {
    try {
        const kept: unknown = JSON.parse(sessionStorage.getItem(keyOf(place)) ?? '{}');
        return typeof kept === 'object' && kept !== null && !Array.isArray(kept) ? (kept as Draft) : {};
    } catch {
        return {};
    }
}

/** What of a draft is unlike what is saved: the rest needs no keeping. A field that the form does not have (any more) is dropped. */
export function unlike(draft: Draft, saved: Draft): Draft {
    return Object.fromEntries(
        Object.entries(draft).filter(([name, value]) => name in saved && JSON.stringify(value) !== JSON.stringify(saved[name])),
    );
}
