import { describe, expect, test } from 'vitest';
import type { Dataset, Variable } from '../api/client';
import { testVariable } from '../api/testVariable';
import { compareWords, firstComparison, readComparing } from './comparing';

describe('the address of a comparison', () => {
    test('what is said comes back from the address as it was', () => {
        for (const comparing of [
            { what: 'groups', groups: ['a, b', '“c” & d', ''], good: 'higher', other: '', other_of: '', factor: '', turned: 'yes' },
            { what: 'datasets', groups: [], good: '', other: '12', other_of: 'kg', factor: '0.001', turned: '' },
        ]) {
            const address = new URLSearchParams(compareWords(comparing as never));
            expect(readComparing(new URLSearchParams(address.toString()))).toEqual(comparing);
        }
    });

    test('what is not said is not in it', () => {
        expect(compareWords(readComparing(new URLSearchParams()))).toEqual({});
        expect(compareWords(readComparing(new URLSearchParams('what=groups&groups=[]&by=apiary')))).toEqual({ what: 'groups' });
    });

    test('groups that are no list of names are none; of a list only the names are taken', () => {
        for (const groups of ['{', 'a,b', '{"a":1}', 'null', '3']) {
            expect(readComparing(new URLSearchParams({ groups })).groups).toEqual([]);
        }
        expect(readComparing(new URLSearchParams({ groups: '["a",1,null,["b"],"2"]' })).groups).toEqual(['a', '2']);
    });
});

describe('what is compared first', () => {
    type Given = Pick<Variable, 'key' | 'type'> & Partial<Variable>;
    const dataset = (...variables: Given[]) =>
        ({ variables: variables.map((variable) => ({ ...testVariable(variable.key, variable.type), ...variable })) }) as Dataset;

    test('a number with a unit by the first category that has groups', () => {
        expect(
            firstComparison(
                dataset(
                    { key: 'y', type: 'number' },
                    { key: 'one', type: 'category', labels: ['a'] },
                    { key: 'g', type: 'category', labels: ['a', 'b'] },
                    { key: 'kg', type: 'number', unit: 'kg' },
                ),
            ),
        ).toEqual({ what: 'groups', of: ['kg'], by: ['g'] });
    });

    test('a category of one label where there is no other', () => {
        expect(firstComparison(dataset({ key: 'y', type: 'number' }, { key: 'one', type: 'category', labels: ['a'] }))).toEqual({
            what: 'groups',
            of: ['y'],
            by: ['one'],
        });
    });

    test('two numbers where nothing splits the rows, and nothing where there is one or none', () => {
        expect(firstComparison(dataset({ key: 'y', type: 'number' }, { key: 'kg', type: 'number', unit: 'kg' }))).toEqual({
            what: 'variables',
            of: ['kg', 'y'],
            by: [],
        });
        expect(firstComparison(dataset({ key: 'y', type: 'number' }, { key: 't', type: 'text' }))).toBeNull();
        expect(firstComparison(dataset({ key: 'g', type: 'category', labels: ['a', 'b'] }))).toBeNull();
        expect(firstComparison(dataset())).toBeNull();
    });
});
