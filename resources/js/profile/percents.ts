/** A percentile between 0 and 1 that could have been meant as a fraction, and what it could mean; null = there is none. */
export function ambiguousPercent(text: string): { typed: string; percent: string } | null {
    const typed = text.split(/[,;\s]+/).find((word) => /^0?\.\d+$/.test(word) && Number(word) > 0);
    // Moving the point by text: 0.15 becomes 15, 0.025 becomes 2.5.
    return typed === undefined ? null : { typed, percent: String(Number(`${typed}e2`)) };
}

export function replaced(text: string, typed: string, meant: string): string {
    return text
        .split(/([,;\s]+)/)
        .map((word) => (word === typed ? meant : word))
        .join('');
}
