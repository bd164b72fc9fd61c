import { expect, type Page, test } from '@playwright/test';
import { choose, figures, signIn, uploadAndOpen } from './steps';

const hives =
    'Tag,Apiary,Honey (kg),Frames\nA1,Brook End,21.05,3\nA2,Dunmere,18.5,4\nA3,Brook End,21.07,5\nA4,Dunmere,n/a,5\nA5,Brook End,30,6\nA6,,12,7\n';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('a file comes in and a variable is profiled, by group, under another basis, and again after a reload', async ({ page }) => {
    await uploadAndOpen(page, 'spring.csv', hives, 'Honey');
    await expect(page.getByRole('heading', { name: 'Honey' })).toBeVisible();
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toContainText('5 of 6 rows, taken as a sample');

    // By hand: 12, 18.5, 21.05, 21.07, 30; the sum is 102.62, Σ(x − x̄)² is 167.12452.
    expect(await figures(page, 'n')).toEqual(['5']);
    expect(await figures(page, 'missing')).toEqual(['1']);
    expect(await figures(page, 'mean')).toEqual(['20.524']);
    expect(await figures(page, 'variance')).toEqual(['41.781']);
    expect(await figures(page, 'sd')).toEqual(['6.464']);
    expect(await figures(page, 'min')).toEqual(['12.00']);
    expect(await figures(page, 'q1')).toEqual(['15.250']);
    expect(await figures(page, 'median')).toEqual(['21.05']);
    expect(await figures(page, 'q3')).toEqual(['25.535']);
    expect(await figures(page, 'max')).toEqual(['30.00']);
    expect(await figures(page, 'range')).toEqual(['18.00']);
    expect(await figures(page, 'iqr')).toEqual(['10.285']);
    expect(await figures(page, 'sum')).toEqual(['102.62']);
    await page.getByText('1 cell could not be read').click();
    await expect(page.getByText('row 4: n/a')).toBeVisible();

    await choose(page, /^Split by/, 'Apiary');
    await expect(page.getByRole('region', { name: 'Figures' }).getByRole('columnheader')).toHaveText([
        'Overall',
        'Brook End',
        'Dunmere',
        'no entry',
    ]);
    expect(await figures(page, 'mean')).toEqual(['20.524', '24.040', '18.500', '12.000']);
    expect(await figures(page, 'sd')).toEqual(['6.464', '5.162', 'needs at least 2 values', 'needs at least 2 values']);
    await expect(page.locator('svg [data-lane]')).toHaveCount(4);

    await choose(page, /^Taken as/, 'population');
    await choose(page, /^Quartiles by/, 'definition 7');
    // The last answer stays until the next is there.
    await expect.poll(() => figures(page, 'q1')).toEqual(['18.50', '21.060', '18.50', '12.00']);
    await expect(page.getByRole('rowheader', { name: 'Mean µ' })).toBeVisible();
    await expect(page.getByRole('rowheader', { name: 'Standard deviation σ' })).toBeVisible();
    expect(await figures(page, 'variance')).toEqual(['33.425', '17.761', '0.000', '0.000']);

    await expect(page).toHaveURL(/by=apiary&as=population&quartiles=hf7/);
    // Cell by cell: the text of a table as a whole has line breaks or none by what the pointer is over.
    const cells = page.getByRole('region', { name: 'Figures' }).locator('th, td');
    const seen = await cells.allTextContents();
    expect(seen.length).toBeGreaterThan(60);
    await page.reload();
    await expect(cells).toHaveText(seen);

    await page.goBack();
    await expect(page.getByRole('button', { name: 'Quartiles by: halves, middle left out' })).toBeVisible();
    await expect.poll(() => figures(page, 'q1')).toEqual(['15.250', '21.05', '18.50', '12.00']);
    await page.goBack();
    await expect(page.getByRole('rowheader', { name: 'Mean x̄' })).toBeVisible();
});

test('every one of the eleven quartile rules can be chosen', async ({ page }) => {
    await uploadAndOpen(page, 'powers.csv', 'x\n1\n2\n4\n8\n16\n32\n', 'x');
    const expected: Record<string, string> = {
        'halves, middle shared': '16',
        'definition 1': '16',
        'definition 2': '16',
        'definition 3': '8',
        'definition 4': '12.0',
        'definition 5': '16',
        'definition 6': '20.0',
        'definition 7': '14.0',
        'definition 8': '17.3',
        'definition 9': '17.0',
        'halves, middle left out': '16',
    };
    for (const [words, q3] of Object.entries(expected)) {
        await choose(page, /^Quartiles by/, words);
        await expect.poll(() => figures(page, 'q3'), words).toEqual([q3]);
    }
});

test('the stack is drawn where its numbers say, on one axis', async ({ page }) => {
    await uploadAndOpen(
        page,
        'stack.csv',
        `g,x\n${[1, 2, 2, 3, 3, 3, 4, 4, 5, 30].map((x, i) => `${'ab'[i % 2] ?? ''},${x}.5`).join('\n')}\n`,
        'x',
    );
    await choose(page, /^Split by/, 'g');
    await expect(page.locator('svg [data-lane="b"]')).toBeVisible();

    const lane = page.locator('svg [data-lane="Overall"]');
    // Where its path begins.
    const at = async (selector: string) => Number(/^M([\d.]+)/.exec((await lane.locator(selector).getAttribute('d')) ?? '')?.[1]);
    const tick = async (text: string) => Number(await page.locator(`svg[role="img"] [data-tick="${text}"]`).getAttribute('x1'));
    const position = async (value: number) => {
        const zero = await tick('0');
        return zero + (value * ((await tick('20')) - zero)) / 20;
    };

    // 1.5 2.5 2.5 3.5 3.5 3.5 4.5 4.5 5.5 30.5: quartiles 2.5, 3.5, 4.5; the upper fence is at 7.5.
    // The plot takes its last width a moment after the table beside it has grown.
    await expect.poll(async () => Math.abs((await at('[data-median]')) - (await position(3.5)))).toBeLessThan(0.5);
    await expect.poll(async () => Math.abs((await at('[data-whisker="high"]')) - (await position(5.5)))).toBeLessThan(0.5);
    await expect.poll(async () => Math.abs((await at('[data-whisker="low"]')) - (await position(1.5)))).toBeLessThan(0.5);
    const level = async () => Number(await page.locator('[data-level="median"]').getAttribute('x1'));
    await expect.poll(async () => Math.abs((await level()) - (await at('[data-median]')))).toBeLessThan(0.5);
    await expect(lane.locator('[data-outlier="far"]')).toHaveCount(1);

    const bars = await lane.locator('rect[data-bar]').evaluateAll((rects) =>
        rects.map((rect) => ({
            height: Number(rect.getAttribute('height')),
            rows: Number(/: (\d+) rows?$/.exec(rect.textContent)?.[1]),
        })),
    );
    expect(bars.reduce((sum, bar) => sum + bar.rows, 0)).toBe(10);
    const perRow = (bars[0]?.height ?? 0) / (bars[0]?.rows ?? 1);
    for (const bar of bars) {
        expect(Math.abs(bar.height - bar.rows * perRow)).toBeLessThan(0.5);
    }
});

test('one more variable is ticked without losing the others', async ({ page }) => {
    await uploadAndOpen(page, 'two.csv', hives, 'Honey');
    await page.getByRole('checkbox', { name: 'Show Frames too' }).click();
    await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Honey', 'Frames']);
    await page.getByRole('checkbox', { name: 'Show Apiary too' }).click();
    await expect(page.getByRole('heading', { level: 2 })).toHaveText(['Apiary', 'Honey', 'Frames']);
    await expect(page.getByRole('row', { name: 'Brook End 3 50.0 60.0 60.0' })).toBeVisible();
    await page.getByRole('complementary').getByRole('button', { name: 'Tag' }).click();
    await expect(page.getByText('It names the rows, so no figures are made of it.')).toBeVisible();
    await page.getByRole('checkbox', { name: 'Show Tag too' }).click();
    await expect(page.getByRole('heading', { name: 'Overview' })).toBeVisible();
});

test('an address with words that make no sense says what would', async ({ page }) => {
    await uploadAndOpen(page, 'words.csv', hives, 'Honey');
    await page.goto(`${new URL(page.url()).pathname}?of=honey&quartiles=hf10`);
    await expect(page.getByRole('alert')).toContainText('How quartiles are cut: one of halves-excluded');
});

test('hostile names are shown as text and do nothing', async ({ page }) => {
    const dialogs: string[] = [];
    page.on('dialog', (dialog) => {
        dialogs.push(dialog.message());
        void dialog.dismiss();
    });
    const name = 'Hive ""A"" <script>alert(1)</script> שלום';
    await uploadAndOpen(
        page,
        'title <img src=x onerror=alert(2)> "q" שלום.csv',
        `"${name}",kg\n"<img src=x onerror=alert(3)>",1\n"<b>bold</b>",2\n`,
        'kg',
    );
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('title <img src=x onerror=alert(2)> "q" שלום');
    await choose(page, /^Split by/, 'Hive "A" <script>');
    await expect(page.getByRole('columnheader', { name: '<img src=x onerror=alert(3)>' }).first()).toBeVisible();
    await expect(page.getByRole('columnheader', { name: '<b>bold</b>' }).first()).toBeVisible();
    expect(dialogs).toEqual([]);
});

test('a variable that is all missing and a group without values say why there is no number', async ({ page }) => {
    await uploadAndOpen(page, 'gaps.csv', 'g,x,empty\na,1,\nb,,\na,2,\n');
    await page.getByRole('complementary').getByRole('button', { name: 'empty' }).click();
    await expect(page.getByText('There is no value to draw.')).toBeVisible();
    expect(await figures(page, 'mean')).toEqual(['needs at least 1 value']);
    await page.getByRole('complementary').getByRole('button', { name: 'x', exact: true }).click();
    await choose(page, /^Split by/, 'g');
    await expect.poll(() => figures(page, 'mean')).toEqual(['1.5', '1.5', 'needs at least 1 value']);
});

test('three hundred variables can be searched', async ({ page }) => {
    const line = (cell: (i: number) => string) => Array.from({ length: 300 }, (_, i) => cell(i + 1)).join(',');
    await uploadAndOpen(page, 'wide.csv', `${line((i) => `v${i}`)}\n${line((i) => `${i}.5`)}\n${line((i) => `${i}`)}\n`);
    await page.keyboard.press('/');
    await page.keyboard.type('v299');
    await page.getByRole('complementary').getByRole('button', { name: 'v299' }).click();
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('v299');
    expect(await figures(page, 'mean')).toEqual(['299.25']);
});

test('dark and light are kept', async ({ page }) => {
    await page.getByRole('button', { name: /^Look:/ }).click();
    await page.getByRole('button', { name: /^Look: light/ }).click();
    await page.reload();
    await expect(page.getByRole('button', { name: 'Look: dark' })).toBeVisible();
    expect(await background(page)).toBe('rgb(18, 26, 23)');
});

async function background(page: Page): Promise<string> {
    return page.evaluate(() => getComputedStyle(document.body).backgroundColor);
}

test('in a window of any width nothing of the bar lies over anything else, nor beside the window, and the title is seen', async ({
    page,
}) => {
    await uploadAndOpen(page, 'a name that is long enough to need shortening.csv', hives, 'Honey');
    const boxes = async () =>
        page.locator('header :is(a, button, h1)').evaluateAll((elements) =>
            elements.map((element) => {
                const { left, right, top, bottom } = element.getBoundingClientRect();
                return { left, right, top, bottom, words: element.textContent };
            }),
        );
    for (const width of [320, 480, 768, 900, 1024, 1152, 1280, 1920]) {
        await page.setViewportSize({ width, height: 700 });
        await expect
            .poll(async () => {
                const all = await boxes();
                return [
                    ...all.filter(({ left, right }) => left < 0 || right > width).map(({ words }) => `${words} is cut`),
                    ...all.flatMap((one, i) =>
                        all
                            .slice(0, i)
                            .filter(
                                (other) =>
                                    one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom,
                            )
                            .map((other) => `${one.words} over ${other.words}`),
                    ),
                ];
            })
            .toEqual([]);
        expect((await page.locator('header h1').boundingBox())?.width, `the title at ${width}`).toBeGreaterThan(60);
    }
});
