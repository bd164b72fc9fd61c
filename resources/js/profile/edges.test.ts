import { expect, test } from 'vitest';
import { moved } from './edges';

test('a boundary is moved and takes those along that it overtakes', () => {
    expect(moved([0, 10, 20, 30], 1, '12.5')).toBe('0,12.5,20,30');
    expect(moved([0, 10, 20, 30], 1, '20')).toBe('0,20,30');
    expect(moved([0, 10, 20, 30], 3, '5')).toBe('0,5');
});

test('what is no number goes on as it is, for the server to say what it expected', () => {
    expect(moved([0, 10, 20], 1, 'wide')).toBe('0,wide,20');
});
