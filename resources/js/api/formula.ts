/** A variable's name as it stands in a formula. */
export function nameInFormula(name: string): string {
    return /^[\p{L}_][\p{L}\p{N}_.]*$/u.test(name) && !['and', 'or', 'not', 'mod', 'in', 'between'].includes(name.toLowerCase())
        ? name
        : `"${name.replaceAll('"', '""')}"`;
}

export function textInFormula(text: string): string {
    return `'${text.replaceAll("'", "''")}'`;
}

/** The condition that leaves the rows behind one class of a histogram, of one group where the rows are split, within a condition. */
export function conditionOfClass(
    name: string,
    edges: number[],
    place: number,
    closed: 'left' | 'right',
    groups: { name: string; label: string | null }[],
    within: string,
): string {
    const variable = nameInFormula(name);
    const [low, high] = [edges[place] ?? 0, edges[place + 1] ?? 0];
    // The outermost class of the open end is closed at both ends.
    const signs = {
        left: ['<=', place === edges.length - 2 ? '<=' : '<'],
        right: [place === 0 ? '<=' : '<', '<='],
    }[closed];
    return [
        `${low} ${signs[0] ?? ''} ${variable} ${signs[1] ?? ''} ${high}`,
        ...groups.map(({ name: by, label }) =>
            label === null ? `missing(${nameInFormula(by)})` : `${nameInFormula(by)} = ${textInFormula(label)}`,
        ),
        ...(within === '' ? [] : [`(${within})`]),
    ].join(' and ');
}

/** The condition that leaves the rows of a range of values, both ends included, within a condition. Texts may have a true minus sign. */
export function conditionOfRange(name: string, range: { from: string; to: string }, within: string): string {
    const plain = (text: string) => text.replace('−', '-');
    return [`${plain(range.from)} <= ${nameInFormula(name)} <= ${plain(range.to)}`, ...(within === '' ? [] : [`(${within})`])].join(
        ' and ',
    );
}

/** The condition that leaves the rows behind a leaf: from its value up to the next, which lies further from zero. */
export function conditionOfLeaf(name: string, leaf: { from: string; to: string; isNegative: boolean }, within: string): string {
    const [first, second] = leaf.isNegative ? ['<', '<='] : ['<=', '<'];
    return [`${leaf.from} ${first} ${nameInFormula(name)} ${second} ${leaf.to}`, ...(within === '' ? [] : [`(${within})`])].join(' and ');
}
