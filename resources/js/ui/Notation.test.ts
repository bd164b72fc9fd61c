import { expect, test } from 'vitest';
import { parse } from './Notation';

test('fractions and roots are taken apart, also within one another', () => {
    expect(parse('s = √{{Σ(x)²}/{n − 1}} = 2')).toEqual(['s = ', { root: [{ over: ['Σ(x)²'], under: ['n − 1'] }] }, ' = 2']);
});

test('braces that make no fraction and text without any stand as they are', () => {
    expect(parse('a {b} c')).toEqual(['a ', 'b', ' c']);
    expect(parse('x(1) = 2/3')).toEqual(['x(1) = 2/3']);
});
