/** A variable's name as it stands in a formula. */
export function nameInFormula(name: string): string {
    return /^[\p{L}_][\p{L}\p{N}_.]*$/u.test(name) && !['and', 'or', 'not', 'mod'].includes(name)
        ? name
        : `"${name.replaceAll('"', '""')}"`;
}

export function textInFormula(text: string): string {
    return `'${text.replaceAll("'", "''")}'`;
}

/** The condition that leaves the rows behind one class of a histogram, and of one group where the rows are split. */
export function conditionOfClass(
    name: string,
    edges: number[],
    place: number,
    closed: 'left' | 'right',
    group: { name: string; label: string | null } | null,
): string {
    const variable = nameInFormula(name);
    const [low, high] = [edges[place] ?? 0, edges[place + 1] ?? 0];
    // The outermost class of the open end is closed at both ends.
    const signs = {
        left: ['<=', place === edges.length - 2 ? '<=' : '<'],
        right: [place === 0 ? '<=' : '<', '<='],
    }[closed];
    const inClass = `${low} ${signs[0] ?? ''} ${variable} ${signs[1] ?? ''} ${high}`;
    if (group === null) {
        return inClass;
    }
    const by = nameInFormula(group.name);
    return `${inClass} and ${group.label === null ? `missing(${by})` : `${by} = ${textInFormula(group.label)}`}`;
}
