import { expect, test } from 'vitest';
import { beforeAndAfter } from './making';

const numbers = (...names: [string, string | null][]) => names.map(([name, unit]) => ({ key: name, name, unit }));

test('what is measured alike belongs together, the later by its name', () => {
    const hives = numbers(['queen year', null], ['autumn weight', 'kg'], ['spring weight', 'kg'], ['honey yield', 'kg']);
    expect(beforeAndAfter(hives)).toEqual({ earlier: 'autumn weight', later: 'spring weight' });
    expect(beforeAndAfter(numbers(['mites after', null], ['mites before', null]))).toEqual({
        earlier: 'mites before',
        later: 'mites after',
    });
    expect(beforeAndAfter(numbers(['x', null], ['After', null], ['Before', null]))).toEqual({ earlier: 'Before', later: 'After' });
    expect(beforeAndAfter(numbers(['Yield 2025', 'kg'], ['Yield 2024', 'kg']))).toEqual({ earlier: 'Yield 2024', later: 'Yield 2025' });
});

test('of several pairs the one whose names are most alike', () => {
    const many = numbers(['body weight of queens', 'g'], ['honey weight', 'g'], ['honey weight after', 'g']);
    expect(beforeAndAfter(many)).toEqual({ earlier: 'honey weight', later: 'honey weight after' });
});

test('nothing is offered where nothing belongs together', () => {
    expect(beforeAndAfter(numbers(['autumn weight', 'kg'], ['queen year', null]))).toBeNull();
    expect(beforeAndAfter(numbers(['weight', 'kg'], ['weight', 'lb']))).toBeNull();
    expect(beforeAndAfter(numbers(['x 1', null], ['y 1', null]))).toBeNull();
    expect(beforeAndAfter([])).toBeNull();
});
