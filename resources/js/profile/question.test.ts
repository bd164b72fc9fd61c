import { expect, test } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { defaults, questionWords, readQuestion, toggled, writeQuestion } from './question';

const variables = [variable('tag', 'id'), variable('yield', 'number'), variable('mites', 'number')];

test('an address without words asks for the overview under the defaults', () => {
    expect(readQuestion(new URLSearchParams())).toEqual({ ...defaults, of: [], by: [], plots: [] });
});

test('what is written to the address is read back the same, and defaults are left out', () => {
    const words = 'of=yield%2Cmites&by=apiary%2Ctemper&as=population&quartiles=hf7&where=yield+%3E+4&level=0.9';
    expect(writeQuestion(readQuestion(new URLSearchParams(words))).toString()).toBe(words);
    expect(writeQuestion(readQuestion(new URLSearchParams('of=yield&as=sample&quartiles=halves-excluded'))).toString()).toBe('of=yield');
});

test('the API is asked in the same words', () => {
    expect(questionWords(readQuestion(new URLSearchParams('of=a,b&decimals=s4&no_entry=show')))).toEqual({ of: 'a,b', decimals: 's4' });
});

test('ticking one more variable never loses others and keeps the order of the rail', () => {
    expect(toggled(['mites'], 'yield', variables)).toEqual(['yield', 'mites']);
    expect(toggled(['yield', 'mites'], 'yield', variables)).toEqual(['mites']);
});
