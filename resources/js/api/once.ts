/** Answers that were lost may still come to something for so long: the same request goes under the same name until then. */
const KEPT_MS = 10 * 60_000;
/** Two presses so close together are one. */
const ONE_PRESS_MS = 2000;

const names = new Map<string, { name: string; until: number }>();

/**
 * A name for a request that makes something: the same for the same request again as long as it is not known to have been done, and for
 * the second of two quick presses, so that the server does it once.
 */
export function nameOf(request: string, now: number): string {
    for (const [known, { until }] of names) {
        if (until <= now) {
            names.delete(known);
        }
    }
    const known = names.get(request);
    if (known !== undefined) {
        return known.name;
    }
    const name = newName();
    names.set(request, { name, until: now + KEPT_MS });
    return name;
}

/** A name that no other request has. */
export function newName(): string {
    // Not randomUUID(), which only pages under https have.
    return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** It was done, or refused: asked for again in a while it is another request. */
export function answered(request: string, now: number): void {
    const known = names.get(request);
    if (known !== undefined) {
        known.until = Math.min(known.until, now + ONE_PRESS_MS);
    }
}
