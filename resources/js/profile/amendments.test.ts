import { expect, test } from 'vitest';
import { amend, isAmended } from './amendments';

test('a later change of a place takes the place of the earlier one', () => {
    const words = amend(amend(amend('', 'edge', 0, '5.5'), 'unit', null, '0.1'), 'edge', 0, '-6');
    expect(words).toBe('unit:0.1,edge0:-6');
    expect(isAmended(words, 'edge', 0)).toBe(true);
    expect(isAmended(words, 'edge', 1)).toBe(false);
    expect(isAmended(words, 'unit', null)).toBe(true);
});

test('place 1 and place 11 are told apart', () => {
    expect(amend('edge11:3', 'edge', 1, '2')).toBe('edge11:3,edge1:2');
    expect(isAmended('edge11:3', 'edge', 1)).toBe(false);
});
