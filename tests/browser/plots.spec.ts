import { readFileSync } from 'node:fs';
import { expect, type Page, test } from '@playwright/test';
import { choose, signIn, takeOut, uploadAndOpen } from './steps';

const values = [1, 2, 2, 3, 3, 3, 4, 4, 5, 30].map((x) => x + 0.5);
const file = `g,x (kg)\n${values.map((x, i) => `${'ab'[i % 2] ?? ''},${x}`).join('\n')}\n`;

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

async function type(page: Page, control: RegExp, name: string, text: string): Promise<void> {
    await page.getByRole('button', { name: control }).click();
    await page.getByRole('textbox', { name }).fill(text);
    await page.getByRole('button', { name: 'Use it' }).click();
}

test('bars follow the classes that are typed, and say what they leave out', async ({ page }) => {
    await uploadAndOpen(page, 'classes.csv', file, 'x');
    await type(page, /^Classes:/, 'Classes', '0:2');
    const bars = page.locator('rect[data-bar]');
    await expect(bars.first().locator('title')).toHaveText('0 to under 2: 1 row');
    await expect(page).toHaveURL(/classes=0%3A2/);
    // The table beside it has the same classes, by value while they are few.
    await type(page, /^Classes:/, 'Classes', '0,3,10');
    await expect(bars).toHaveCount(2);
    await expect(page.getByText('1 row lies outside the classes (0 below, 1 above).')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Bars show: density' })).toBeVisible();
    // Densities: 3 of 10 over 3, 6 of 10 over 7.
    const heights = await bars.evaluateAll((rects) => rects.map((rect) => Number(rect.getAttribute('height'))));
    expect(Math.abs((heights[0] ?? 0) / (heights[1] ?? 1) - 0.1 / (0.6 / 7))).toBeLessThan(0.02);
    await page.getByRole('button', { name: 'Use classes that cover all' }).click();
    await expect(page.getByText('outside the classes')).toBeHidden();
});

test('a boundary that is typed over in the table of classes changes the bars', async ({ page }) => {
    const many = Array.from({ length: 80 }, (_, i) => (i / 4 + 0.1).toFixed(2));
    await uploadAndOpen(page, 'boundaries.csv', `x (kg)\n${many.join('\n')}\n`, 'x');
    await type(page, /^Classes:/, 'Classes', '0:5');
    const bars = page.locator('rect[data-bar]');
    await expect(bars.first().locator('title')).toHaveText('0 to under 5: 20 rows');
    await page.getByRole('button', { name: 'Where the class 0 to under 5 ends: 5, change it' }).click();
    await page.getByRole('textbox', { name: 'Where the class 0 to under 5 ends' }).fill('12');
    await page.keyboard.press('Enter');
    // It takes 10 along, which it overtakes.
    await expect(bars.first().locator('title')).toHaveText('0 to under 12: 48 rows');
    await expect(page).toHaveURL(/classes=0%2C12%2C15%2C20/);
    await expect(page.getByRole('rowheader', { name: '12 to under 15' })).toBeVisible();
});

test('heights, lines and the normal curve are chosen in the sentence above the stack', async ({ page }) => {
    await uploadAndOpen(page, 'heights.csv', file, 'x');
    await choose(page, /^Bars show/, 'cumulative percent');
    await expect(page.locator('[data-ogive]')).toHaveCount(1);
    await choose(page, /^Bars show/, 'percent');
    await choose(page, /^Normal curve/, 'a normal curve');
    await expect(page.locator('[data-curve]')).toHaveCount(1);
    await choose(page, /^Lines/, 'with mean ± 1 SD');
    await expect(page.locator('[data-level="x̄ + s"]')).toHaveCount(1);
    await choose(page, /^Lines/, 'without quartiles');
    await expect(page.locator('[data-level="Q₁"]')).toHaveCount(0);
    await page.reload();
    await expect(page.locator('[data-level="x̄ + s"]')).toHaveCount(1);
});

test('the crosshair reads and a drag selects a range that leads to its rows', async ({ page }) => {
    await uploadAndOpen(page, 'range.csv', file, 'x');
    // The plot takes its last width a moment after the table beside it has grown.
    await page.waitForLoadState('networkidle');
    const picture = page.locator('figure svg[role="img"]').first();
    await expect(page.locator('[data-box]')).toBeVisible();
    const box = await picture.boundingBox();
    const tick = async (text: string) => {
        const place = await picture.locator(`[data-tick="${text}"]`).getAttribute('x1');
        return (box?.x ?? 0) + Number(place);
    };
    const [zero, twenty] = [await tick('0'), await tick('20')];
    const y = (box?.y ?? 0) + 60;
    await page.mouse.move(twenty, y);
    await expect(page.locator('[data-reading] text')).toContainText('90.0 % below');
    await page.mouse.move(zero, y);
    await page.mouse.down();
    await page.mouse.move((zero + twenty) / 2, y, { steps: 4 });
    await page.mouse.move(twenty, y, { steps: 4 });
    await page.mouse.up();
    // Nine of ten values; their mean is 31.5 / 9.
    await expect(page.getByText('9 rows, 90.0 %, mean 3.50 kg.')).toBeVisible();
    await page.getByRole('button', { name: 'Show the rows' }).click();
    await expect(page).toHaveURL(/rows\?where=/);
});

test('stems, dots, normal plot and strip open one by one and stay in the address', async ({ page }) => {
    await uploadAndOpen(page, 'more.csv', file, 'x');
    for (const name of ['Stem-and-leaf', 'Dot plot', 'Normal Q–Q', 'Ordered strip']) {
        await page.getByRole('button', { name, exact: true }).click();
    }
    const stems = page.getByRole('region', { name: 'Stem-and-leaf' });
    await expect(page.getByRole('button', { name: 'Leaf unit: 1' })).toBeVisible();
    await choose(page, /^Lines a stem/, 'one line a stem');
    await expect(stems.locator('[data-leaf]')).toHaveText(['1', '22', '333', '44', '5', '0']);
    await expect(page.locator('[data-dots="Overall"] circle')).toHaveCount(10);
    await expect(page.getByRole('region', { name: 'Normal Q–Q' }).locator('[data-point]')).toHaveCount(10);
    await expect(page.getByRole('region', { name: 'Ordered strip' }).locator('[data-point]')).toHaveCount(10);
    await choose(page, /^Far outliers/, 'on lines of their own');
    await expect(stems.locator('[data-apart="high"]')).toContainText('30.5');
    await choose(page, /^Split by/, 'g');
    await choose(page, /^Two groups/, 'back to back');
    await expect(stems.locator('[data-leaves]').last()).toHaveAttribute('text-anchor', 'start');
    await expect(stems.getByRole('img', { name: 'a and b' })).toBeVisible();
    await expect(page).toHaveURL(/plots=stems%2Cdots%2Cqq%2Cstrips/);
});

test('bars of a category in percent, stacked by group', async ({ page }) => {
    await uploadAndOpen(page, 'labels.csv', 'g,k\na,x\na,x\na,y\nb,y\n', 'k');
    const bar = page.locator('[data-label-bar="x Overall"]');
    await expect(bar).toBeVisible();
    const wide = Number(await bar.getAttribute('width'));
    expect(Math.abs(wide - Number(await page.locator('[data-label-bar="y Overall"]').getAttribute('width')))).toBeLessThan(0.5);
    await choose(page, /^Split by/, 'g');
    await choose(page, /^Bars are/, 'groups stacked');
    await expect(page.locator('[data-label-bar="y b"]')).toBeVisible();
});

test('a picture leaves as SVG that stands by itself, as PNG, and as numbers', async ({ page }) => {
    await uploadAndOpen(page, 'out.csv', file, 'x');
    const saved = async (button: string) => {
        const waiting = page.waitForEvent('download');
        await takeOut(page);
        await page.getByRole('button', { name: button }).click();
        const download = await waiting;
        return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
    };
    const svg = await saved('Save as SVG');
    expect(svg.name).toBe('x kg histogram over box plot on one axis.svg');
    const text = svg.bytes.toString();
    expect(text).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(text).not.toContain('var(--');
    expect(text).toContain('rows per class');
    const png = await saved('Save as PNG');
    expect(png.bytes.subarray(1, 4).toString()).toBe('PNG');
    const numbers = await saved('Save its numbers');
    expect(numbers.bytes.toString()).toContain('Class,From,To,Overall');
});
