/**
 * The marks with which whoever is signed in writes numbers and days, as the server has them (`core/Marks`): for cells, which come as machines
 * write them, for counts, and for what is typed. Nothing is rounded here.
 */
export interface Marks {
    decimal: 'point' | 'comma';
    thousands: 'counts' | 'none' | 'blank' | 'point' | 'comma' | 'apostrophe';
    minus: 'minus' | 'hyphen';
    days: 'year-first' | 'day-first-points' | 'day-first' | 'month-first';
    /** The first day of a week. */
    week?: 'monday' | 'sunday' | 'saturday';
}

export const STANDARD: Marks = { decimal: 'point', thousands: 'counts', minus: 'minus', days: 'year-first' };

const SIGN = { none: '', blank: '\u00A0', point: '.', comma: ',', apostrophe: '’' };
const GROUPED_FROM = 5;

let inForce = STANDARD;

/** From now on numbers are written and read with these. */
export function takeMarks(marks: Marks): void {
    inForce = marks;
}

export function marksInForce(): Marks {
    return inForce;
}

/** A mark never stands for two things: that between thousands gives way. */
export function changedMarks(marks: Marks, change: Partial<Marks>): Marks {
    const next = { ...marks, ...change };
    return next.thousands === next.decimal ? { ...next, thousands: 'counts' } : next;
}

function grouped(digits: string, mark: string): string {
    return mark === '' ? digits : digits.replace(/\B(?=(\d{3})+$)/g, mark);
}

export function decimalMark(): string {
    return SIGN[inForce.decimal];
}

/** A number as machines write it (-1234.5), with the marks in force; what is none stays as it is. */
export function written(plain: string, marks: Marks = inForce): string {
    const [, sign, whole = '', decimals, rest = ''] = /^([-−]?)(\d+)(?:\.(\d+))?((?:e[+-]?\d+)?)$/i.exec(plain) ?? [];
    if (sign === undefined) {
        return plain;
    }
    const between = marks.thousands === 'counts' ? '' : SIGN[marks.thousands];
    return (
        (sign === '' ? '' : SIGN_OF_MINUS[marks.minus]) +
        (whole.length < GROUPED_FROM ? whole : grouped(whole, between)) +
        (decimals === undefined ? '' : SIGN[marks.decimal] + decimals) +
        rest
    );
}

const SIGN_OF_MINUS = { minus: '−', hyphen: '-' };

/** "1,204" */
export function writtenCount(number: number, marks: Marks = inForce): string {
    const between = marks.thousands === 'counts' ? (marks.decimal === 'comma' ? SIGN.blank : ',') : SIGN[marks.thousands];
    const [whole = '', decimals] = String(Math.round(Math.abs(number) * 1000) / 1000).split('.');
    return (
        (number < 0 ? SIGN_OF_MINUS[marks.minus] : '') +
        grouped(whole, between) +
        (decimals === undefined ? '' : SIGN[marks.decimal] + decimals)
    );
}

/** The decimals of a number in the marks in force; null where a text is none. */
export function decimalsOf(shown: string): string | null {
    const [, decimals = ''] = shown.split(SIGN[inForce.decimal]);
    return /^[−-]?[\d.,’\u00A0]+$/.test(shown) ? decimals : null;
}

/** A number that the server wrote with the marks in force, as machines write it; anything else stays as it is. */
export function machineForm(shown: string, marks: Marks = inForce): string {
    if (marks.decimal === 'point' && marks.thousands === 'counts') {
        return shown;
    }
    const [, sign = '', whole = '', decimals, behind = ''] =
        new RegExp(`^([+−-]?)([\\d.,’\u00A0]*?\\d)(?:\\${SIGN[marks.decimal]}(\\d+))?( %)?$`).exec(shown) ?? [];
    return whole === '' ? shown : sign + whole.replace(/\D/g, '') + (decimals === undefined ? '' : `.${decimals}`) + behind;
}

/** A day as 2026-03-21, with or without a time, in the order in force; what is none stays as it is. */
export function day(iso: string, marks: Marks = inForce): string {
    const [, y, m, d, time] = /^(\d{4})-(\d{2})-(\d{2})(?:T(.*))?$/.exec(iso) ?? [];
    if (y === undefined || marks.days === 'year-first') {
        return iso;
    }
    const shown = { 'day-first-points': `${d}.${m}.${y}`, 'day-first': `${d}/${m}/${y}`, 'month-first': `${m}/${d}/${y}` }[marks.days];
    return time === undefined ? shown : `${shown} ${time}`;
}

/** A number that was typed: as machines write it, or the two that it could be. */
export type Typed = { plain: string } | { open: [string, string] };

/** A number in anybody's marks; one's own are taken at their word. Null = no number. */
export function readTyped(typed: string, marks: Marks = inForce): Typed | null {
    const text = typed
        .trim()
        .replace(/^[−–]/, '-')
        .replace(/[\u00A0\u202F\u2009]/g, ' ')
        .replaceAll('’', "'");
    const sign = /^[+-]?/.exec(text)?.[0].replace('+', '') ?? '';
    const number = text.replace(/^[+-]/, '');
    const own = marks.decimal === 'comma' ? ',' : '.';
    const other = own === ',' ? '.' : ',';
    const plain = (digits: string, decimalMark: string) => ({ plain: sign + digits.replace(decimalMark, '.') });
    // In one's own marks, with its own mark between thousands.
    const ownGroup = marks.thousands === 'counts' ? '' : SIGN[marks.thousands].replace('\u00A0', ' ').replace('’', "'");
    if (ownGroup === other && new RegExp(`^\\d{1,3}(?:\\${other}\\d{3})+(?:\\${own}\\d*)?$`).test(number)) {
        return plain(number.replaceAll(other, ''), own);
    }
    if (new RegExp(`^(?:\\d+\\${own}?\\d*|\\${own}\\d+)(?:[eE][+-]?\\d+)?$`).test(number)) {
        return plain(number, own);
    }
    // Blanks and apostrophes stand between thousands and nowhere else.
    const spaced = /^(\d{1,3})((?:[ ']\d{3})+)(?:([.,])(\d*))?$/.exec(number);
    if (spaced !== null) {
        const [, first = '', more = '', , decimals] = spaced;
        return { plain: sign + first + more.replace(/[ ']/g, '') + (decimals === undefined ? '' : `.${decimals}`) };
    }
    for (const [mark, between] of [
        [own, other],
        [other, own],
    ] as const) {
        // Both: the last is the one before decimals. One of them twice stands between thousands.
        if (
            new RegExp(`^\\d{1,3}(?:\\${between}\\d{3})+\\${mark}\\d*$`).test(number) ||
            new RegExp(`^\\d{1,3}(?:\\${between}\\d{3}){2,}$`).test(number)
        ) {
            return plain(number.replaceAll(between, ''), mark);
        }
    }
    if (new RegExp(`^[1-9]\\d{0,2}\\${other}\\d{3}$`).test(number)) {
        return { open: [sign + number.replace(other, ''), sign + number.replace(other, '.')] };
    }
    return new RegExp(`^(?:\\d+\\${other}\\d*|\\${other}\\d+)(?:[eE][+-]?\\d+)?$`).test(number) ? plain(number, other) : null;
}

/** A day that was typed in the order in force, as 2026-03-21; anything else stays as it is. */
export function readDay(typed: string, marks: Marks = inForce): string {
    const [, one, two, y, time] = /^\s*(\d{1,2})[./-](\d{1,2})[./-](\d{4})(?:[ T](.*))?$/.exec(typed) ?? [];
    if (one === undefined || two === undefined || y === undefined || marks.days === 'year-first') {
        return typed;
    }
    const [d, m] = marks.days === 'month-first' ? [two, one] : [one, two];
    return `${y}-${m.padStart(2, '0')}-${d.padStart(2, '0')}${time === undefined ? '' : `T${time}`}`;
}

/** The same as it is typed and as other programs read it: cells, and what is copied, have the minus of keyboards. */
export function typedForm(plain: string, marks: Marks = inForce): string {
    return written(plain, { ...marks, minus: 'hyphen' });
}

/** What a cell shows, of what stands in it. */
export function shownCellText(text: string, type: string): string {
    return type === 'number' ? typedForm(text) : type === 'date' ? day(text) : text;
}

/** What was typed or pasted for a cell, as it is sent; null = a number that can be read in two ways. */
export function readCell(typed: string, type: string): string | null {
    if (type === 'date') {
        return readDay(typed);
    }
    const read = type === 'number' ? readTyped(typed) : null;
    return read === null ? typed : 'plain' in read ? read.plain : null;
}

/** Numbers in a row that were typed (percentiles, boundaries), as an address has them: with points, and commas between them. */
export function typedList(typed: string): string {
    if (inForce.decimal !== 'comma') {
        return typed;
    }
    // One comma in a number stands before its decimals; several of them, or one with a blank behind, stand between numbers.
    return typed
        .split(/([;\s:]+)/)
        .map((part) => (/^[+\-−]?\d*,\d+%?$/.test(part) ? part.replace(',', '.') : part.replace(/,$/, '')))
        .join('')
        .replace(/\s*;\s*|\s+/g, ',');
}

/** Such a row of an address, with the marks in force. */
export function writtenList(plain: string): string {
    return plain
        .split(/([,:])/)
        .map((part) => (part !== ',' ? written(part) : inForce.decimal === 'comma' ? '; ' : ', '))
        .join('');
}
