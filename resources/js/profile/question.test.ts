import { expect, test } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { readQuestion, shownKeys, toggled, writeQuestion } from './question';

const variables = [variable('tag', 'id'), variable('yield', 'number'), variable('mites', 'number')];

test('an address without words asks for the defaults', () => {
    expect(readQuestion(new URLSearchParams())).toEqual({ of: null, by: null, as: 'sample', quartiles: 'halves-excluded' });
});

test('what is written to the address is read back the same, and defaults are left out', () => {
    const words = 'of=yield%2Cmites&by=apiary&as=population&quartiles=hf7';
    expect(writeQuestion(readQuestion(new URLSearchParams(words))).toString()).toBe(words);
    expect(writeQuestion(readQuestion(new URLSearchParams('of=yield&as=sample&quartiles=halves-excluded'))).toString()).toBe('of=yield');
});

test('the first number variable is shown when the address does not say', () => {
    expect(shownKeys(readQuestion(new URLSearchParams()), variables)).toEqual(['yield']);
});

test('an address that names no variable shows none', () => {
    expect(shownKeys(readQuestion(new URLSearchParams('of=')), variables)).toEqual([]);
});

test('ticking one more variable never loses others and keeps the order of the rail', () => {
    expect(toggled(['mites'], 'yield', variables)).toEqual(['yield', 'mites']);
    expect(toggled(['yield', 'mites'], 'yield', variables)).toEqual(['mites']);
});
