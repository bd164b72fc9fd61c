import { day, marksInForce, written, writtenCount } from './numbers';

/**
 * Counts, sizes and dates as they are shown. Figures are never formatted here: the server sends their text, rounded by the one
 * rule of the core.
 */
const days = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const times = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

export function count(number: number): string {
    return writtenCount(number);
}

/** "1 row", "2 rows" */
export function counted(number: number, one: string, many = `${one}s`): string {
    return `${count(number)} ${number === 1 ? one : many}`;
}

/** "3.4 MB" */
export function bytes(number: number): string {
    const units = ['bytes', 'kB', 'MB', 'GB'];
    let power = 0;
    let left = number;
    while (left >= 1000 && power < units.length - 1) {
        left /= 1000;
        power += 1;
    }
    return `${power === 0 || left >= 100 ? Math.round(left) : written(left.toFixed(1))} ${units[power]}`;
}

/** "today, 14:05" or "3 Nov 2026" */
export function moment(iso: string, now: Date = new Date()): string {
    const at = new Date(iso);
    const isToday = days.format(at) === days.format(now);
    return isToday ? `today, ${times.format(at)}` : marksInForce().days === 'year-first' ? days.format(at) : day(localDay(at));
}

export function localDay(at: Date): string {
    return [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((part) => String(part).padStart(2, '0')).join('-');
}

/** With a capital at its beginning. */
export function asSentence(words: string): string {
    return words.slice(0, 1).toUpperCase() + words.slice(1);
}
