import { expect, test } from 'vitest';
import { HEAD, keyAction } from './gridKeys';

const none = { shiftKey: false, ctrlKey: false, metaKey: false, altKey: false };
const grid = { at: { row: 4, column: 1 }, isEditing: false, rows: 100, columns: 3, page: 20 };

test('arrows move, Shift takes rows along but not columns', () => {
    expect(keyAction({ ...none, key: 'ArrowDown', shiftKey: true }, grid)).toEqual({
        kind: 'move',
        to: { row: 5, column: 1 },
        isExtending: true,
    });
    expect(keyAction({ ...none, key: 'ArrowLeft', shiftKey: true }, grid)).toEqual({
        kind: 'move',
        to: { row: 4, column: 0 },
        isExtending: false,
    });
    expect(keyAction({ ...none, key: 'PageUp' }, grid)).toMatchObject({ to: { row: 0 } });
    expect(keyAction({ ...none, key: 'End', ctrlKey: true, shiftKey: true }, grid)).toEqual({
        kind: 'move',
        to: { row: 99, column: 1 },
        isExtending: true,
    });
});

test('above the first row are the heads, which open by Enter and take no text', () => {
    const top = { ...grid, at: { row: 0, column: 1 } };
    expect(keyAction({ ...none, key: 'ArrowUp' }, top)).toMatchObject({ kind: 'move', to: { row: HEAD } });
    expect(keyAction({ ...none, key: 'ArrowUp', shiftKey: true }, top)).toMatchObject({ kind: 'move', to: { row: 0 } });
    expect(keyAction({ ...none, key: 'ArrowUp', ctrlKey: true }, grid)).toMatchObject({ kind: 'move', to: { row: HEAD } });
    expect(keyAction({ ...none, key: 'ArrowDown', ctrlKey: true }, grid)).toMatchObject({ kind: 'move', to: { row: 99 } });
    const head = { ...grid, at: { row: HEAD, column: 1 } };
    expect(keyAction({ ...none, key: 'Enter' }, head)).toEqual({ kind: 'head' });
    expect(keyAction({ ...none, key: 'ArrowDown', shiftKey: true }, head)).toMatchObject({ to: { row: 0 }, isExtending: false });
    expect(['7', 'Delete', 'Tab'].map((key) => keyAction({ ...none, key }, head))).toEqual([null, null, null]);
});

test('Enter goes down and Tab across, out of the grid at its edge unless something is being typed', () => {
    expect(keyAction({ ...none, key: 'Enter' }, grid)).toEqual({ kind: 'next', to: { row: 5, column: 1 } });
    expect(keyAction({ ...none, key: 'Tab' }, { ...grid, at: { row: 4, column: 2 } })).toBeNull();
    expect(keyAction({ ...none, key: 'Tab' }, { ...grid, at: { row: 4, column: 2 }, isEditing: true })).toMatchObject({ kind: 'next' });
    expect(keyAction({ ...none, key: 'Tab', shiftKey: true }, { ...grid, at: { row: 4, column: 0 } })).toBeNull();
});

test('while a cell is typed in, its keys are its own', () => {
    expect(keyAction({ ...none, key: 'ArrowLeft' }, { ...grid, isEditing: true })).toBeNull();
    expect(keyAction({ ...none, key: 'Escape' }, { ...grid, isEditing: true })).toEqual({ kind: 'give-up' });
});

test('a character begins a cell anew, a command does not', () => {
    expect(keyAction({ ...none, key: '7' }, grid)).toEqual({ kind: 'type', text: '7' });
    expect(keyAction({ ...none, key: 'c', ctrlKey: true }, grid)).toBeNull();
    expect(keyAction({ ...none, key: 'Delete' }, grid)).toEqual({ kind: 'clear' });
    expect(keyAction({ ...none, key: 'F2' }, grid)).toEqual({ kind: 'open' });
});
