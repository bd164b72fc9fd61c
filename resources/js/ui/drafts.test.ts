import { describe, expect, test } from 'vitest';
import { readDraft, unlike } from './drafts';

describe('what was typed and is not known to be saved', () => {
    test('only what is unlike what is saved is kept', () => {
        expect(unlike({ note: 'new', title: 'Yield' }, { note: 'old', title: 'Yield' })).toEqual({ note: 'new' });
        expect(unlike({ marks: ['NA', '–'] }, { marks: ['NA', '–'] })).toEqual({});
        expect(unlike({ marks: ['NA'] }, { marks: ['NA', '–'] })).toEqual({ marks: ['NA'] });
    });

    test('an emptied field is a change, a field that is gone is none', () => {
        expect(unlike({ note: '' }, { note: 'old' })).toEqual({ note: '' });
        expect(unlike({ colour: 'red' }, { note: 'old' })).toEqual({});
    });

    test('without a store, or with something else in it, there is no draft', () => {
        expect(readDraft('report 1')).toEqual({});
    });
});
