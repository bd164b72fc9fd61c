/** So many boundaries can stand in an address. */
export const MOST_EDGES = 61;

/** The boundaries of classes with one of them somewhere else, in the words of the address; those that it overtakes are gone. */
export function moved(edges: number[], place: number, typed: string): string {
    const to = Number(typed);
    if (typed.trim() === '' || !Number.isFinite(to)) {
        return [...edges.slice(0, place), typed, ...edges.slice(place + 1)].join(',');
    }
    return [...edges.slice(0, place).filter((edge) => edge < to), to, ...edges.slice(place + 1).filter((edge) => edge > to)].join(',');
}
