/** What was changed about classes by hand: words such as `edge0:5.5`, as the address has them. */
export type Amended = 'edge' | 'width' | 'middle' | 'unit';

function parts(words: string): string[] {
    return words.split(',').filter((part) => part !== '');
}

/** One more change; a later one of the same place takes the place of the earlier. */
export function amend(words: string, what: Amended, place: number | null, value: string): string {
    const name = `${what}${place ?? ''}`;
    return [...parts(words).filter((part) => part.split(':')[0] !== name), `${name}:${value}`].join(',');
}

export function isAmended(words: string, what: Amended, place: number | null): boolean {
    return parts(words).some((part) => part.split(':')[0] === `${what}${place ?? ''}`);
}
