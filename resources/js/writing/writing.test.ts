import { describe, expect, test } from 'vitest';
import { testVariable } from '../api/testVariable';
import { basisOf, candidates, type Searched, withWords } from './candidates';
import { asNode, fieldsOf, orNothing } from './document';
import { sentencesAbout } from './sentences';

const yields = { ...testVariable('yield', 'number'), name: 'Honey yield', unit: 'kg' };
const weight = { ...testVariable('weight', 'number'), name: 'Weight in autumn' };
const apiary = { ...testVariable('apiary', 'category'), name: 'Apiary', labels: ['Alder Wick', '2019', 'Écluse'] };
const searched: Searched = {
    variables: [weight, apiary, yields],
    families: [
        {
            name: 'All',
            figures: [
                { key: 'n', label: 'Count', symbol: 'n' },
                { key: 'mean', label: 'Mean', symbol: 'x̄' },
                { key: 'q1', label: 'Lower quartile', symbol: 'Q₁' },
            ],
        },
    ],
    base: 'as=population',
    first: 'yield',
    rows: 'hives',
    references: new Map([
        ['b0001', 'Table 1'],
        ['b0002', 'Figure 1'],
    ]),
};
const names = (typed: string) => candidates(typed, searched).map(({ name }) => name);

describe('a figure is found by typing', () => {
    test('what the text is about comes first, and everything by default', () => {
        expect(names('').slice(0, 3)).toEqual(['Count of Honey yield', 'Mean of Honey yield', 'Lower quartile of Honey yield']);
        expect(names('').length).toBeLessThanOrEqual(8);
    });

    test('beginnings of words in whatever order', () => {
        expect(names('wei mea')).toEqual(['Mean of Weight in autumn']);
        expect(names('quart low hon')).toEqual(['Lower quartile of Honey yield']);
        expect(names('mean median')).toEqual([]);
        expect(names('hives')).toContain('Number of hives');
    });

    test('in a group, whatever its label looks like', () => {
        expect(names('mean yield ald')).toEqual(['Mean of Honey yield, Alder Wick']);
        expect(names('mean yield 2019')).toContain('Mean of Honey yield, 2019');
        expect(names('ecluse share')).toEqual(['Count of Écluse in Apiary', 'Share of Écluse in Apiary']);
        const [first] = candidates('mean yield 2019', searched).filter(({ name }) => name.endsWith('2019'));
        expect(first?.field).toEqual({ address: 'of=yield&by=apiary&as=population', figure: 'mean', group: '["2019"]' });
    });

    test('a percentile that is typed', () => {
        expect(candidates('90th yield', searched)[0]?.field.figure).toBe('percentile_90');
        expect(candidates('p2.5 yield', searched)[0]?.field.figure).toBe('percentile_2.5');
    });
});

test('the basis of an address goes along, what is shown of it stays behind', () => {
    expect(basisOf('of=yield&by=apiary&as=population&plots=qq&where=x+%3E+1&marks=none')).toBe('as=population&where=x+%3E+1');
    expect(withWords('', { of: 'a&b' })).toBe('of=a%26b');
});

test('the figures of a text, each once, and a text that says nothing', () => {
    const field = { address: 'of=yield', figure: 'mean', group: '' };
    const words = {
        type: 'doc' as const,
        content: [{ type: 'paragraph', content: [asNode(field), { type: 'text', text: ' and ' }, asNode(field)] }],
    };
    expect(fieldsOf(words)).toEqual([field]);
    expect(fieldsOf(null)).toEqual([]);
    expect(orNothing(words)).toBe(words);
    expect(orNothing({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: '  ' }] }] })).toBeNull();
});

test('sentences to start from have their gaps', () => {
    const [about] = sentencesAbout(yields, apiary, '', 'hives');
    expect(about?.map((piece) => (typeof piece === 'string' ? piece : `<${piece.figure}>`)).join('')).toBe(
        'About <within_1> of <n> hives lie between <minus_1sd> and <plus_1sd> kg.',
    );
    const groups = sentencesAbout(yields, apiary, '', 'hives').at(-1);
    expect(groups?.filter((piece) => typeof piece !== 'string').map(({ group }) => group)).toEqual([
        '["Alder Wick"]',
        '["2019"]',
        '["Écluse"]',
    ]);
    expect(sentencesAbout(apiary, null, '', 'hives')).toHaveLength(3);
    expect(sentencesAbout(testVariable('temper', 'category'), null, '', 'hives')).toEqual([]);
});
