import { expect, test } from 'vitest';
import { readView, writeView } from './view';

test('what is seen of the rows goes into the address and comes back', () => {
    const view = { where: 'kg > 40', sort: 'kg:down', hidden: ['tag', 'x'], panel: 'check' as const, variable: 'kg' };
    expect(readView(writeView(view))).toEqual(view);
});

test('a plain view leaves the address empty, and an unknown panel is none', () => {
    expect(writeView(readView(new URLSearchParams('panel=nonsense'))).toString()).toBe('');
});
