import { readFileSync } from 'node:fs';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { choose, signIn, takeOut, uploadAndOpen, reload } from './steps';

const rows = Array.from({ length: 60 }, (_, i) => ({
    tag: `H-${i + 1}`,
    g: i % 2 === 0 ? 'north' : 'south',
    x: 10 + (i % 2) * 4 + (i % 13),
    y: 12 + (i % 7),
}));
const file = `Tag,g,x (kg),y (kg)\n${[...rows, { tag: 'H-61', g: 'north', x: 90, y: 90 }].map((row) => `${row.tag},${row.g},${row.x},${row.y}`).join('\n')}\n`;

test.beforeEach(async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'drawing.csv', file, 'x');
    // The plot takes its last width a moment after the table beside it has grown.
    await page.waitForLoadState('networkidle');
});

async function dragBy(page: Page, handle: Locator, pixels: number): Promise<void> {
    const box = await handle.boundingBox();
    const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (let step = 1; step <= 10; ++step) {
        await page.mouse.move(x + (pixels * step) / 10, y);
    }
}

async function split(page: Page): Promise<void> {
    await choose(page, /^Split by/, 'g');
    await expect(page.locator('[data-lane]')).toHaveCount(3);
}

test('the width of the classes is dragged, the bars follow before the hand lets go, and the table after', async ({ page }) => {
    const bars = page.locator('rect[data-bar]');
    await expect(bars.first()).toBeVisible();
    const before = await bars.count();
    await dragBy(page, page.locator('[data-handle="width"] rect'), 60);
    await expect.poll(() => bars.count()).toBeLessThan(before);
    await page.mouse.up();
    await expect(page).toHaveURL(/classes=[-\d.]+%3A[\d.]+/);
    // Every value is in one class, once the bars of the last classes are there.
    const titles = page.locator('rect[data-bar] title');
    await expect
        .poll(async () => (await titles.allTextContents()).reduce((sum, title) => sum + Number(/: (\d+) row/.exec(title)?.[1]), 0))
        .toBe(61);
});

test('handles move by arrow keys in round steps', async ({ page }) => {
    await page.getByRole('slider', { name: /^Where the classes of x/ }).focus();
    const value = () => page.getByRole('slider', { name: /^Where the classes of x/ }).getAttribute('aria-valuenow');
    const start = Number(await value());
    await page.keyboard.press('ArrowLeft');
    await expect.poll(async () => Number(await value())).toBeLessThan(start);
    await expect(page).toHaveURL(/classes=/);
});

test('arrow keys walk from bar to bar and say what is in it, Enter leads to its rows', async ({ page }) => {
    const picture = page.locator('figure svg[role="img"]').first();
    await picture.focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('[data-walked="0"]')).toBeVisible();
    const said = await page.locator('[data-walked] text').innerHTML();
    expect(said).toMatch(/^Overall, \d+.*: \d+$/);
    const sentence = page.locator(`[id="${(await picture.getAttribute('aria-describedby')) ?? ''}"]`);
    await expect(sentence).toContainText('x (kg), Overall: from 10 to 90, half of them between');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/rows\?where=/);
});

test('a range of the axis is chosen by keys, from the mark that is framed, and given up', async ({ page }) => {
    const picture = page.locator('figure svg[role="img"]').first();
    await picture.focus();
    await page.keyboard.press('ArrowRight');
    for (let i = 0; i < 4; ++i) {
        await page.keyboard.press('Shift+ArrowRight');
    }
    await expect(page.locator('[data-range]')).toBeVisible();
    await expect(page.getByText(/^From .* to .* kg: /)).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-range]')).toHaveCount(0);
});

test('every other picture is walked through by arrow keys too, told in sentences, and shows its numbers as a table', async ({ page }) => {
    await split(page);
    for (const [button, part, first] of [
        ['Box plots', 'Box plots', 'Overall, minimum: 10'],
        ['Dot plot', 'Dot plot', /^Overall, (at|around) [\d.]+: \d+ rows?$/],
        ['Normal Q–Q', 'Normal Q–Q', /^z expected of a normal distribution −2\.\d+, x \(kg\) 10$/],
        ['Slope lines', 'Slope lines', '10 to 12, rising'],
    ] as const) {
        await page.getByRole('button', { name: button, exact: true }).click();
        const figure = page.getByRole('region', { name: part, exact: true }).locator('figure').first();
        const picture = figure.locator('svg[role="img"]');
        await picture.focus();
        await page.keyboard.press('ArrowRight');
        await expect(figure.locator('[data-walked="0"] text')).toHaveText(first);
        await expect(page.locator(`[id="${(await picture.getAttribute('aria-describedby')) ?? ''}"]`)).toContainText(
            /\d.*Arrow keys go from mark to mark/,
        );
        await page.keyboard.press('ArrowRight');
        await expect(figure.locator('[data-walked="1"]')).toBeVisible();
    }
    const dots = page.getByRole('region', { name: 'Dot plot', exact: true });
    await dots
        .getByRole('button', { name: /^Take out the picture/ })
        .first()
        .click();
    await page.getByRole('button', { name: 'Show its numbers' }).click();
    await expect(dots.getByRole('row').first()).toHaveText('ValueOverallnorthsouth');
    await dots.getByRole('button', { name: 'Hide its numbers' }).click();
    await expect(dots.getByRole('table')).toHaveCount(0);
});

test('an outlier says which row it is', async ({ page }) => {
    await page.locator('[data-outlier]').last().hover();
    await expect(page.locator('[data-named]')).toHaveText('H-61: 90 kg');
});

test('two groups lie over one another as outlines, lanes go by a figure', async ({ page }) => {
    await split(page);
    await choose(page, /^Bars show/, 'percent');
    await choose(page, /^Groups are drawn/, 'over one another');
    await expect(page.locator('[data-outline]')).toHaveCount(2);
    await expect(page.locator('rect[data-bar]')).toHaveCount(0);
    const dashes = await page
        .locator('[data-outline]')
        .evaluateAll((paths) => paths.map((path) => path.getAttribute('stroke-dasharray') ?? ''));
    expect(new Set(dashes).size).toBe(2);
    await choose(page, /^Groups are drawn/, 'in lanes');
    const lanes = () =>
        page
            .locator('figure')
            .first()
            .locator('[data-lane]')
            .evaluateAll((all) => all.map((lane) => lane.getAttribute('data-lane')));
    await expect.poll(lanes).toEqual(['Overall', 'north', 'south']);
    // South is 4 higher in the middle.
    await choose(page, /^Order of the lanes/, 'order of median');
    await expect.poll(lanes).toEqual(['Overall', 'south', 'north']);
    await reload(page);
    await expect(page.locator('rect[data-bar]').first()).toBeVisible();
    await expect.poll(lanes).toEqual(['Overall', 'south', 'north']);
});

test('box plots lie or stand, with notches, thickness by n and their five numbers', async ({ page }) => {
    await split(page);
    await page.getByRole('button', { name: 'Box plots' }).click();
    const part = page.getByRole('region', { name: 'Box plots' });
    await expect(part.locator('[data-box]')).toHaveCount(3);
    await expect(part.locator('text').getByText('90', { exact: true }).first()).toBeVisible();
    const tall = async () => (await part.locator('[data-box]').first().boundingBox())?.height ?? 0;
    const lying = await tall();
    await choose(page, /^Boxes:/, 'stand');
    await expect.poll(tall).not.toBe(lying);
    await choose(page, /^Whiskers/, 'whiskers to the extremes');
    await expect(part.locator('[data-outlier]')).toHaveCount(0);
    await choose(page, /^Notches/, 'with notches');
    await expect(part.locator('[data-box]').first()).toHaveAttribute('d', /(L[^L]+){9}Z/);
    await choose(page, /^Thickness/, 'as thick as √n');
    // 31 of 61 rows are in the first group.
    await expect
        .poll(async () => {
            const [all = 1, first = 0] = await part
                .locator('[data-box]')
                .evaluateAll((boxes) => boxes.map((box) => box.getBoundingClientRect().width - 1.5));
            return Math.abs(first / all - Math.sqrt(31 / 61));
        })
        .toBeLessThan(0.03);
});

test('rows run as lines from one variable to another', async ({ page }) => {
    await page.getByRole('button', { name: 'Slope lines' }).click();
    const part = page.getByRole('region', { name: 'Slope lines' });
    const change = rows.map(({ x, y }) => Math.sign(y - x));
    await expect(part).toContainText(
        `to y (kg): ${change.filter((sign) => sign > 0).length} rise, ${change.filter((sign) => sign < 0).length} fall, ${change.filter((sign) => sign === 0).length + 1} stay.`,
    );
    await expect(part.locator('[data-slope]')).toHaveCount(61);
});

test('a leaf says its rows, and the display turned on its side has a bar for each line', async ({ page }) => {
    await page.getByRole('button', { name: 'Stem-and-leaf' }).click();
    const part = page.getByRole('region', { name: 'Stem-and-leaf' });
    await part.locator('[data-leaf="9 │ 0"]').hover();
    await expect(part.getByText('H-61: 9 │ 0')).toBeVisible();
    const lines = await part.locator('[data-leaf]').evaluateAll((leaves) => new Set(leaves.map((leaf) => leaf.getAttribute('y'))).size);
    await choose(page, /^Stems stand/, 'turned on its side');
    await expect
        .poll(() =>
            part.locator('[data-stem-bar]').evaluateAll((bars) => bars.filter((bar) => Number(bar.getAttribute('height')) > 0).length),
        )
        .toBe(lines);
});

test('a range is zoomed into and left again', async ({ page }) => {
    const picture = page.locator('figure svg[role="img"]').first();
    const box = await picture.boundingBox();
    const y = (box?.y ?? 0) + 120;
    const drag = async (from: number, to: number) => {
        await page.mouse.move((box?.x ?? 0) + from, y);
        await page.mouse.down();
        await page.mouse.move((box?.x ?? 0) + (from + to) / 2, y);
        await page.mouse.move((box?.x ?? 0) + to, y);
        await page.mouse.up();
    };
    await expect(page.locator('rect[data-bar]').first()).toBeVisible();
    const width = async () => Number(await page.locator('rect[data-bar]').first().getAttribute('width'));
    const before = await width();
    await drag(130, 260);
    await page.getByRole('button', { name: 'Zoom in' }).click();
    await expect(page).toHaveURL(/zoom=/);
    await expect.poll(width).toBeGreaterThan(1.5 * before);
    await page.getByRole('button', { name: 'Back to all of it' }).click();
    await expect.poll(width).toBe(before);
});

test('a picture leaves under the title that was typed', async ({ page }) => {
    await takeOut(page);
    await page.getByLabel('Title of the picture of x (kg)').fill('Hives in May');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as SVG' }).first().click();
    const saved = await download;
    expect(saved.suggestedFilename()).toBe('Hives in May.svg');
    const svg = readFileSync(await saved.path(), 'utf8');
    expect(svg).toContain('>Hives in May</text>');
    expect(svg).not.toContain('data-handle');
});
