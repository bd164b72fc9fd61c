import type { Place } from './useClipboard';

/** What a key asks of the grid. */
export type KeyAction =
    | { kind: 'move'; to: Place; isExtending: boolean }
    /** What is typed is taken, and the cursor goes on, by Enter also to a row that is not there yet. */
    | { kind: 'next'; to: Place }
    | { kind: 'give-up' }
    | { kind: 'clear' }
    | { kind: 'open' }
    /** Of the head on which the cursor stands: what can be changed about the variable. */
    | { kind: 'head' }
    | { kind: 'type'; text: string };

interface Pressed {
    key: string;
    shiftKey: boolean;
    ctrlKey: boolean;
    metaKey: boolean;
    altKey: boolean;
}

/** The row of the heads, above the first. */
export const HEAD = -1;

/** null = it is no key of the grid, or leads out of it. */
export function keyAction(
    { key, shiftKey, ctrlKey, metaKey, altKey }: Pressed,
    { at, isEditing, rows, columns, page }: { at: Place; isEditing: boolean; rows: number; columns: number; page: number },
): KeyAction | null {
    const isFar = ctrlKey || metaKey;
    if (at.row === HEAD && (key === 'Enter' || key === 'F2' || key === ' ')) {
        return { kind: 'head' };
    }
    if (at.row === HEAD && (key === 'Tab' || key === 'Delete' || key === 'Backspace')) {
        return null;
    }
    if (key === 'Enter' || key === 'Tab') {
        if (key === 'Tab' && !isEditing && (shiftKey ? at.column === 0 : at.column === columns - 1)) {
            return null;
        }
        const step = shiftKey ? -1 : 1;
        return {
            kind: 'next',
            to: key === 'Enter' ? { row: at.row + step, column: at.column } : { row: at.row, column: at.column + step },
        };
    }
    if (isEditing) {
        return key === 'Escape' ? { kind: 'give-up' } : null;
    }
    if (isFar && (key === 'ArrowUp' || key === 'ArrowDown')) {
        return { kind: 'move', to: { row: key === 'ArrowUp' ? HEAD : rows - 1, column: at.column }, isExtending: false };
    }
    const step = {
        ArrowDown: { row: 1, column: 0 },
        ArrowUp: { row: -1, column: 0 },
        ArrowLeft: { row: 0, column: -1 },
        ArrowRight: { row: 0, column: 1 },
        PageDown: { row: page, column: 0 },
        PageUp: { row: -page, column: 0 },
    }[key];
    if (step !== undefined) {
        return {
            kind: 'move',
            // One by one the cursor comes to the heads, by pages or with rows taken along it stays below them.
            to: {
                row: Math.max(key === 'PageUp' || shiftKey ? 0 : HEAD, at.row + step.row),
                column: at.column + step.column,
            },
            isExtending: shiftKey && step.column === 0 && at.row !== HEAD,
        };
    }
    if (key === 'Home' || key === 'End') {
        return isFar
            ? { kind: 'move', to: { row: key === 'Home' ? 0 : rows - 1, column: at.column }, isExtending: shiftKey && at.row !== HEAD }
            : { kind: 'move', to: { row: at.row, column: key === 'Home' ? 0 : columns - 1 }, isExtending: false };
    }
    if (key === 'Delete' || key === 'Backspace') {
        return { kind: 'clear' };
    }
    if (key === 'F2') {
        return { kind: 'open' };
    }
    return key.length === 1 && !isFar && !altKey && at.row !== HEAD ? { kind: 'type', text: key } : null;
}
