import { expect, test } from 'vitest';
import { ambiguousPercent, replaced } from './percents';

test('a number below one is asked back, with what it could mean', () => {
    expect(ambiguousPercent('5, 0.15, 50')).toEqual({ typed: '0.15', percent: '15' });
    expect(ambiguousPercent('.025')).toEqual({ typed: '.025', percent: '2.5' });
});

test('whole percents, zero and those with a percent sign are clear', () => {
    expect(ambiguousPercent('0, 5, 2.5, 0.15%, 100')).toBeNull();
});

test('only the number in question is put right', () => {
    expect(replaced('0.5, 50; 0.5%', '0.5', '0.5%')).toBe('0.5%, 50; 0.5%');
});
