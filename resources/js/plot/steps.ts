/** Round numbers that a hand can stop at: 1, 2 or 5 times a power of ten. */

/** The round step nearest below, at least the smallest. */
export function roundStep(wanted: number): number {
    const ten = 10 ** Math.floor(Math.log10(wanted));
    const digit = wanted / ten;
    return decimal((digit >= 5 ? 5 : digit >= 2 ? 2 : 1) * ten);
}

/** The multiple of a step nearest to a number, as the decimal that a person would write. */
export function toStep(number: number, step: number): number {
    return decimal(Math.round(number / step) * step);
}

/** Without the digits that only the machine knows. */
function decimal(number: number): number {
    return Number(number.toPrecision(12)) + 0;
}
