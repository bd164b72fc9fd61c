import { expect, test } from 'vitest';
import { stackLayout } from './stackLayout';

test('lanes lie below each other without touching, the axis under the last', () => {
    const layout = stackLayout(600, 5);
    expect(layout.lanes).toHaveLength(5);
    layout.lanes.reduce((above, lane) => {
        expect(lane.barsTop).toBeGreaterThan(above);
        expect(lane.barsBase).toBeGreaterThan(lane.barsTop);
        return lane.boxMiddle + layout.boxHeight / 2;
    }, layout.dotsBase);
    expect(layout.axisTop).toBeGreaterThan((layout.lanes[4]?.boxMiddle ?? 0) + layout.boxHeight / 2);
    expect(layout.height).toBeGreaterThan(layout.axisTop);
});

test('a narrow window gives less room to the names', () => {
    expect(stackLayout(360, 1).left).toBeLessThan(stackLayout(900, 1).left);
});
