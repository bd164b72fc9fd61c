import type { Stems } from '../api/client';

type Column = Stems['columns'][number];
type Line = Column['lines'][number];

/** The leaves of a line as digits; of many values one for several. */
export function leavesOf(line: Line, perLeaf: number): string {
    let seen = 0;
    let written = 0;
    return line.leaves
        .map((leaf) => {
            // Rounding what has been counted so far keeps the number of leaves in step with the number of values.
            seen += leaf.count;
            const upTo = Math.max(written, Math.round(seen / perLeaf));
            const digits = String(leaf.digit).repeat(upTo - written);
            written = upTo;
            return digits;
        })
        .join('');
}

const stem = (line: Line) => line.stem.replace('-', '−');

/** One display as text: depth, stem, leaves, and ½ with the count of its own on the line that holds the median; what is copied is what is seen. */
export function stemText(column: Column): string {
    const width = Math.max(0, ...column.lines.map((line) => stem(line).length));
    const depth = (line: Line) => (line.holds_median ? `½ ${line.depth}` : String(line.depth));
    const deep = Math.max(3, ...column.lines.map((line) => depth(line).length));
    const ends = (entries: Column['low']) => entries.map(({ text, count }) => (count > 1 ? `${text} ×${count}` : text)).join('  ');
    return [
        ...(column.low.length > 0 ? [`${'low'.padStart(deep)}  ${ends(column.low)}`, ''] : []),
        ...column.lines.map((line) => `${depth(line).padStart(deep)}  ${stem(line).padStart(width)} │ ${leavesOf(line, column.per_leaf)}`),
        ...(column.high.length > 0 ? ['', `${'high'.padStart(deep)}  ${ends(column.high)}`] : []),
    ].join('\n');
}

/** Two groups back to back: the leaves of the first run to the left. */
export function backToBack(first: Column, second: Column, names: [string, string]): string {
    const keys = [...first.lines, ...second.lines].map((line) => `${line.stem} ${line.digits}`);
    const order = (key: string) => {
        const [name = '0', digits = '0'] = key.split(' ');
        const isNegative = name.startsWith('-');
        const place = 100 * Math.abs(Number(name)) + Number(digits.split('-')[0]);
        return isNegative ? -1 - place : place;
    };
    const all = [...new Set(keys)].sort((a, b) => order(a) - order(b));
    const leaves = (column: Column, key: string) => {
        const line = column.lines.find((other) => `${other.stem} ${other.digits}` === key);
        return line === undefined ? '' : leavesOf(line, column.per_leaf);
    };
    const left = all.map((key) => Array.from(leaves(first, key)).reverse().join(''));
    const wide = Math.max(names[0].length, ...left.map((text) => text.length));
    const stems = all.map((key) => (key.split(' ')[0] ?? '').replace('-', '−'));
    const middle = Math.max(...stems.map((text) => text.length));
    return [
        `${names[0].padStart(wide)} │ ${' '.repeat(middle)} │ ${names[1]}`,
        ...all.map((key, i) => `${(left[i] ?? '').padStart(wide)} │ ${(stems[i] ?? '').padStart(middle)} │ ${leaves(second, key)}`),
    ].join('\n');
}

/** How to read it: "2 │ 3 is 2.3". */
export function keyOf(stems: Stems): string {
    const line = stems.columns[0]?.lines.find((other) => other.leaves.length > 0);
    const leaf = line?.leaves[0];
    if (line === undefined || leaf === undefined) {
        return '';
    }
    const exponent = stems.leaf_unit.includes('.') ? (stems.leaf_unit.split('.')[1] ?? '').length : 0;
    const digits = `${line.stem.replace('-', '')}${leaf.digit}`.padStart(exponent + 1, '0');
    const value = exponent > 0 ? `${digits.slice(0, -exponent)}.${digits.slice(-exponent)}` : digits + stems.leaf_unit.slice(1);
    return `${stem(line)} │ ${leaf.digit} is ${line.stem.startsWith('-') ? '−' : ''}${value.replace(/^0+(?=\d)/, '')}`;
}

/** From which value up to which other a leaf stands for, cut off towards zero; as decimals that a formula reads. */
export function leafRange(stem: string, leaf: string, leafUnit: string): { from: string; to: string; isNegative: boolean } | null {
    const isNegative = stem.startsWith('−');
    const digits = `${stem.replace('−', '')}${leaf}`;
    if (!/^\d+$/.test(digits)) {
        return null;
    }
    const places = leafUnit.includes('.') ? (leafUnit.split('.')[1] ?? '').length : 0;
    const zeros = places > 0 ? '' : leafUnit.slice(1);
    const text = (whole: bigint) => {
        const padded = `${whole}${zeros}`.padStart(places + 1, '0');
        return places > 0 ? `${padded.slice(0, -places)}.${padded.slice(-places)}` : padded;
    };
    const size = BigInt(digits);
    return isNegative
        ? { from: `-${text(size + 1n)}`, to: `-${text(size)}`, isNegative }
        : { from: text(size), to: text(size + 1n), isNegative };
}
