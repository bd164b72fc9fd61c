/** A key of its own for something on the screen: what carries the mark, or the first that can be pressed in it, is pressed. */
export interface Shortcut {
    key: string;
    /** In `data-shortcut`. */
    mark: string;
    words: string;
    /** Whether it is only gone to, not pressed. */
    isEntry?: boolean;
}

/** Signs, no letters: those belong to screen readers, and letters with other keys to browsers. */
export const SHORTCUTS: Shortcut[] = [
    { key: '/', mark: 'find', words: 'Find a variable', isEntry: true },
    { key: ']', mark: 'next', words: 'Next variable' },
    { key: '[', mark: 'previous', words: 'Previous variable' },
    { key: ';', mark: 'split', words: 'What splits the rows' },
    { key: '=', mark: 'basis', words: 'Basis of every figure', isEntry: true },
    { key: '#', mark: 'working', words: 'Working of a figure' },
    { key: '+', mark: 'keep', words: 'Keep for the report' },
    { key: '%', mark: 'compare', words: 'Compare' },
    { key: '~', mark: 'undo', words: 'Undo' },
];

const GRID = '[role="grid"]';
const PICTURE = 'figure svg[role="img"]';

/** Keys that work where the focus is: what has to be there, and what it is called. */
export const OTHER_KEYS = [
    {
        on: GRID,
        where: 'In the rows',
        keys: 'Arrow keys, Page up and down, Home, End',
        words: 'go from cell to cell; with Ctrl to the ends',
    },
    {
        on: GRID,
        where: 'In the rows',
        keys: 'Ctrl + Arrow up',
        words: 'to the head of the column; Enter opens what can be changed about it',
    },
    { on: GRID, where: 'In the rows', keys: 'Shift + Arrow keys', words: 'take rows along' },
    { on: GRID, where: 'In the rows', keys: 'Enter, F2 or any sign', words: 'change the cell; Escape leaves it as it was' },
    { on: `${GRID}, [data-shortcut="undo"]`, where: 'Everywhere here', keys: 'Ctrl + Z, Ctrl + Shift + Z', words: 'undo, redo' },
    { on: 'table button', where: 'In a table', keys: 'Arrow keys, Home, End', words: 'go from one to the other of what can be pressed' },
    { on: PICTURE, where: 'In a picture', keys: 'Arrow keys, Enter', words: 'go from mark to mark; show its rows' },
    { on: PICTURE, where: 'In a picture', keys: 'Shift + Arrow keys', words: 'choose a range of the axis; Escape gives it up' },
];

const PRESSED = 'button, a, input';
const OFF = 'rowtally:no-shortcuts';

/** Kept by the browser: what has these keys differs from machine to machine. */
export function areOn(): boolean {
    return localStorage.getItem(OFF) === null;
}

export function switchShortcuts(isOn: boolean): void {
    if (isOn) {
        localStorage.removeItem(OFF);
    } else {
        localStorage.setItem(OFF, 'yes');
    }
}

/** Whether a key belongs to what has the focus: something that is typed into, rows, or a list of choices that goes by letters. */
export function isTakenBy(element: Element | null): boolean {
    return (
        element?.closest(
            'input:not([type="checkbox"], [type="radio"]), textarea, select, [contenteditable="true"], [role="grid"], [role="menu"]',
        ) != null
    );
}

/** Presses what carries the mark; false where nothing here does. A part that has the focus goes before the first on the page. */
export function pressMarked({ mark, isEntry = false }: Shortcut): boolean {
    const near = document.activeElement?.closest('section, article, aside, figure');
    const marked = [near, document].flatMap((part) => [...(part?.querySelectorAll<HTMLElement>(`[data-shortcut="${mark}"]`) ?? [])]);
    const target = marked
        .flatMap((one) => (one.matches(PRESSED) ? [one] : [...one.querySelectorAll<HTMLElement>(PRESSED)]))
        .find((one) => one.offsetParent !== null && !one.matches(':disabled'));
    target?.focus();
    if (!isEntry) {
        target?.click();
    }
    return target !== undefined;
}
