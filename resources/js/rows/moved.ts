/** The list with one entry at another place: moved(['a', 'b', 'c'], 0, 2) is ['b', 'c', 'a']. */
export function moved<Entry>(list: Entry[], from: number, to: number): Entry[] {
    const rest = list.filter((_, i) => i !== from);
    return [...rest.slice(0, to), ...list.slice(from, from + 1), ...rest.slice(to)];
}
