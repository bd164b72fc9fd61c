import { expect, test } from 'vitest';
import { answered, nameOf } from './once';

test('a request goes under one name until it is answered, and two quick presses are one', () => {
    const first = nameOf('POST /kept {"title":"a"}', 0);
    expect(nameOf('POST /kept {"title":"a"}', 60_000)).toBe(first);
    expect(nameOf('POST /kept {"title":"b"}', 60_000)).not.toBe(first);
    answered('POST /kept {"title":"a"}', 60_000);
    expect(nameOf('POST /kept {"title":"a"}', 61_000)).toBe(first);
    expect(nameOf('POST /kept {"title":"a"}', 63_000)).not.toBe(first);
});

test('what was never answered is another request after ten minutes', () => {
    const first = nameOf('POST /datasets', 0);
    expect(nameOf('POST /datasets', 11 * 60_000)).not.toBe(first);
    answered('POST /unknown', 0);
});
