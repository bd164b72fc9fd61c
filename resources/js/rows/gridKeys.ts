import type { Place } from './useClipboard';

/** What a key asks of the grid. */
export type KeyAction =
    | { kind: 'move'; to: Place; isExtending: boolean }
    /** What is typed is taken, and the cursor goes on, by Enter also to a row that is not there yet. */
    | { kind: 'next'; to: Place }
    | { kind: 'give-up' }
    | { kind: 'clear' }
    | { kind: 'open' }
    | { kind: 'type'; text: string };

interface Pressed {
    key: string;
    shiftKey: boolean;
    ctrlKey: boolean;
    metaKey: boolean;
    altKey: boolean;
}

/** null = it is no key of the grid, or leads out of it. */
export function keyAction(
    { key, shiftKey, ctrlKey, metaKey, altKey }: Pressed,
    { at, isEditing, rows, columns, page }: { at: Place; isEditing: boolean; rows: number; columns: number; page: number },
): KeyAction | null {
    const isFar = ctrlKey || metaKey;
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
            to: { row: at.row + step.row, column: at.column + step.column },
            isExtending: shiftKey && step.column === 0,
        };
    }
    if (key === 'Home' || key === 'End') {
        return isFar
            ? { kind: 'move', to: { row: key === 'Home' ? 0 : rows - 1, column: at.column }, isExtending: shiftKey }
            : { kind: 'move', to: { row: at.row, column: key === 'Home' ? 0 : columns - 1 }, isExtending: false };
    }
    if (key === 'Delete' || key === 'Backspace') {
        return { kind: 'clear' };
    }
    if (key === 'F2') {
        return { kind: 'open' };
    }
    return key.length === 1 && !isFar && !altKey ? { kind: 'type', text: key } : null;
}
