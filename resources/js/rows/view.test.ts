import { expect, test } from 'vitest';
import { asksForOutliers, readView, writeView } from './view';

test('what is seen of the rows goes into the address and comes back', () => {
    const view = {
        where: 'outlier(kg)',
        quartiles: 'hf7',
        fences: '3',
        sort: 'kg:down',
        hidden: ['tag', 'x'],
        panel: 'check' as const,
        variable: 'kg',
    };
    expect(readView(writeView(view))).toEqual(view);
});

test('a plain view leaves the address empty, and an unknown panel is none', () => {
    expect(writeView(readView(new URLSearchParams('panel=nonsense'))).toString()).toBe('');
});

test('a condition that asks for outliers is known by its function, not by a name', () => {
    expect(['outlier(kg)', 'kg > 2 and not Outlier ( "a b" )'].map(asksForOutliers)).toEqual([true, true]);
    expect(['kg > 2', 'outlier = 1', 'my_outlier(kg)', ''].map(asksForOutliers)).toEqual([false, false, false, false]);
});
