import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Underway } from './underway';

const request = () => new Request('http://127.0.0.1/api/rows');

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

test('what is answered within a second is not asked about', async () => {
    const look = vi.fn();
    const underway = new Underway(look);
    const quick = request();
    underway.asked(quick, 'a');
    await vi.advanceTimersByTimeAsync(900);
    expect(underway.ended(quick)).toBe(null);
    await vi.advanceTimersByTimeAsync(5000);
    expect(look).not.toHaveBeenCalled();
});

test('of what takes longer it is shown how far it is, until it is answered', async () => {
    const underway = new Underway((name) =>
        Promise.resolve(name === 'told' ? { what: 'Counting', share: 0.4 } : { what: null, share: null }),
    );
    const [silent, long] = [request(), request()];
    underway.asked(silent, 'silent');
    underway.asked(long, 'told');
    await vi.advanceTimersByTimeAsync(1100);
    expect(underway.shown()).toEqual({ name: 'told', what: 'Counting', share: 0.4 });
    expect(underway.ended(long)).toBe('told');
    expect(underway.shown()).toBe(null);
});

test('a link is followed until nothing is told of it any more, or nothing ever was', async () => {
    let told: { what: string | null; share: number | null } = { what: null, share: null };
    const look = vi.fn(() => Promise.resolve(told));
    const underway = new Underway(look);
    underway.follow('link');
    await vi.advanceTimersByTimeAsync(2000);
    told = { what: 'Writing', share: 0.1 };
    await vi.advanceTimersByTimeAsync(10_000);
    expect(underway.shown()?.what).toBe('Writing');
    told = { what: null, share: null };
    await vi.advanceTimersByTimeAsync(1000);
    expect(underway.shown()).toBe(null);
    const asked = look.mock.calls.length;
    underway.follow('quick');
    await vi.advanceTimersByTimeAsync(20_000);
    expect(look.mock.calls.length - asked).toBeLessThan(12);
});

test('a server that is away says nothing here', async () => {
    const underway = new Underway(() => Promise.reject(new Error('away')));
    underway.asked(request(), 'a');
    await vi.advanceTimersByTimeAsync(3000);
    expect(underway.shown()).toBe(null);
});
