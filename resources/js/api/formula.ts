/** A variable's name as it stands in a formula. */
export function nameInFormula(name: string): string {
    return /^[\p{L}_][\p{L}\p{N}_.]*$/u.test(name) && !['and', 'or', 'not', 'mod', 'in', 'between'].includes(name.toLowerCase())
        ? name
        : `"${name.replaceAll('"', '""')}"`;
}

export function textInFormula(text: string): string {
    return `'${text.replaceAll("'", "''")}'`;
}
