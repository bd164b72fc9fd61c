import { expect, test, vi } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { classWords, defaults, inWords, questionWords, readQuestion, toggled, writeQuestion } from './question';

vi.mock('../api/conventions', () => ({
    wordsOf: (_: string, value: string) => value,
    conventions: {
        words: [
            ['of', ''],
            ['by', ''],
            ['as', 'sample'],
            ['quartiles', 'halves-excluded'],
            ['where', ''],
            ['level', '0.95'],
            ['decimals', 'data+1'],
            ['no_entry', 'show'],
            ['limits', ''],
            ['count_columns', ''],
            ['plots', ''],
            ['lane_order', ''],
        ].map(([name, value]) => ({ name, default: value })),
    },
}));

const variables = [variable('tag', 'id'), variable('yield', 'number'), variable('mites', 'number')];

test('an address without words asks for the overview under the defaults', () => {
    expect(readQuestion(new URLSearchParams())).toEqual({ ...defaults, of: [], by: [], plots: [] });
});

test('what is written to the address is read back the same, and defaults are left out', () => {
    const words = 'of=yield%2Cmites&by=apiary%2Ctemper&as=population&quartiles=hf7&where=yield+%3E+4&level=0.9';
    expect(writeQuestion(readQuestion(new URLSearchParams(words))).toString()).toBe(words);
    expect(writeQuestion(readQuestion(new URLSearchParams('of=yield&as=sample&quartiles=halves-excluded'))).toString()).toBe('of=yield');
});

const unsaid = { amend: '', cumulative: '' };

test('the API is asked in the same words, what is the page’s own or of classes alone apart', () => {
    const question = readQuestion(new URLSearchParams('of=a,b&decimals=s4&no_entry=show&plots=boxes&lane_order=mean&limits=rounded'));
    expect(questionWords(question)).toEqual({ of: 'a,b', decimals: 's4' });
    expect(classWords({ ...question, ...unsaid })).toEqual({ limits: 'rounded' });
});

test('what is asked is said briefly, and only what is unlike the beginning of the basis', () => {
    expect(inWords(readQuestion(new URLSearchParams()), variables)).toBe('All variables, not split');
    expect(inWords(readQuestion(new URLSearchParams('of=yield,mites&by=tag&level=0.9')), variables)).toBe(
        'yield, mites, split by tag, level 0.9',
    );
});

test('counts in columns of their own are no question where the rows are split', () => {
    const asked = { ...readQuestion(new URLSearchParams('count_columns=a,b')), ...unsaid };
    expect(classWords(asked)).toEqual({ count_columns: 'a,b' });
    expect(classWords({ ...asked, by: ['c'] })).toEqual({});
});

test('ticking one more variable never loses others and keeps the order of the rail', () => {
    expect(toggled(['mites'], 'yield', variables)).toEqual(['yield', 'mites']);
    expect(toggled(['yield', 'mites'], 'yield', variables)).toEqual(['mites']);
});
