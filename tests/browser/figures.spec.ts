import { expect, test } from '@playwright/test';
import { choose, figures, signIn, uploadAndOpen } from './steps';

/** Small enough to be worked out by hand. */
const jars =
    'Kind,Shelf,Size (kg),Jars,Packed\nheather,a,1,2,2026-03-01\nheather,b,2,3,2026-03-04\nlime,a,4,0.5,\nlime,,8,-1,2026-02-28\nlime,b,,1,2026-03-02\n';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('the overview describes every variable, can be sorted, and leads to the sheets', async ({ page }) => {
    await uploadAndOpen(page, 'jars.csv', jars);
    const table = page.getByRole('region', { name: 'Overview table' });
    await expect(table.getByRole('row', { name: /^Kind/ })).toContainText('2 labels; commonest lime, 3 (60.0 %)');
    await expect(table.getByRole('row', { name: /^Packed/ })).toContainText('2026-02-28 to 2026-03-04, 4 days');
    expect(await figures(page, 'mean')).toEqual(['3.8', '1.10']);

    await table.getByRole('button', { name: /^Mean/ }).click();
    await table.getByRole('button', { name: /^Mean/ }).click();
    expect(await figures(page, 'mean')).toEqual(['1.10', '3.8']);
    await choose(page, /^Split by/, 'Kind');
    await expect.poll(() => figures(page, 'mean')).toEqual(['1.10', '2.50', '0.17', '3.8', '1.5', '6.0']);

    await table.getByRole('button', { name: 'Size', exact: true }).click();
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('Size');
    await page.getByRole('button', { name: 'All variables at a glance' }).click();
    await expect(page.getByRole('heading', { level: 2 })).toHaveText('Overview');
});

test('figures are chosen one by one and in sets, of which one can have one’s own; they are remembered', async ({ page }) => {
    await uploadAndOpen(page, 'chosen.csv', 'x\n1\n2\n4\n9\n', 'x');
    await page.getByRole('button', { name: /^Figures shown/ }).click();
    await page.getByRole('button', { name: 'Five-number summary' }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual([]);
    await page.getByRole('checkbox', { name: /^Skewness G/ }).click();
    await expect.poll(() => figures(page, 'skewness')).toEqual(['1.331']);
    expect(await figures(page, 'median')).toEqual(['3.0']);

    await page.getByPlaceholder('name').fill('For the board');
    await page.getByRole('button', { name: 'Keep the set' }).click();
    await expect(page.getByRole('button', { name: 'For the board', exact: true })).toBeVisible();
    await page.keyboard.press('Escape');

    await page.goto(new URL(page.url()).pathname + '?of=x');
    await expect(page.getByRole('button', { name: 'Figures shown: For the board' })).toBeVisible();
    await expect.poll(() => figures(page, 'skewness')).toEqual(['1.331']);
    await page.getByRole('button', { name: /^Figures shown/ }).click();
    await page.getByRole('button', { name: 'Delete the set For the board' }).click();
    await page.getByRole('button', { name: 'Essentials' }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual(['4.0']);
});

test('a percentile that could be a fraction is asked back', async ({ page }) => {
    await uploadAndOpen(page, 'percentiles.csv', `x\n${Array.from({ length: 99 }, (_, i) => `${i + 1}.0`).join('\n')}\n`, 'x');
    await page.getByRole('button', { name: /^Figures shown/ }).click();
    await page.getByPlaceholder('5, 15, 50, 85, 95').fill('5, 0.15');
    await page.getByRole('button', { name: 'Show them' }).click();
    await expect(page.getByRole('alert')).toContainText('Does 0.15 mean');
    await page.getByRole('button', { name: 'the 15th percentile' }).click();
    await expect.poll(() => figures(page, 'percentile_15')).toEqual(['15.0']);
    expect(await figures(page, 'percentile_5')).toEqual(['5.0']);
    await expect(page.locator('[data-cost="mean"]')).toHaveText(/^mean (49|50|51)\.\d\d \(/);
});

test('every convention of the basis is changed in its line and stands in the address', async ({ page }) => {
    await uploadAndOpen(page, 'basis.csv', jars, 'Size');
    const basis = page.getByRole('region', { name: 'Basis of every figure' });
    await choose(page, /^Counts/, 'Jars');
    await expect.poll(() => figures(page, 'n')).toEqual(['5.5']);
    expect(await figures(page, 'sum')).toEqual(['10.0']);
    await expect(basis).toContainText('1 row left out, because its count is missing, no number or negative: row 4');
    await choose(page, /^Counts/, 'no counts');

    await page.getByRole('button', { name: /^Rows: all rows/ }).click();
    await page.getByRole('textbox', { name: 'Rows' }).fill('Size > 1');
    await page.getByRole('button', { name: 'Use it' }).click();
    await expect.poll(() => figures(page, 'n')).toEqual(['3']);
    await page.getByRole('button', { name: /^Rows: Size/ }).click();
    await page.getByRole('textbox', { name: 'Rows' }).fill('Siz > 1');
    await page.getByRole('button', { name: 'Use it' }).click();
    await expect(page.getByRole('alert')).toContainText('There is no variable “Siz”. Did you mean “Size”?');
    await page.getByRole('button', { name: /^Rows: Siz/ }).click();
    await page.getByRole('button', { name: 'all rows', exact: true }).click();
    await expect.poll(() => figures(page, 'n')).toEqual(['4']);

    await choose(page, /^Decimals shown/, 'to 4 significant digits');
    await expect.poll(() => figures(page, 'sd')).toEqual(['3.096']);
    await page.getByRole('button', { name: /^Confidence level/ }).click();
    await page.getByRole('button', { name: '99 %' }).click();
    await expect(page).toHaveURL(/level=0\.99&decimals=s4/);
    await choose(page, /^Missing:/, 'left out with their whole row');
    await expect(page).toHaveURL(/missing=complete-rows/);
});

test('groups within groups, and those without an entry shown or hidden', async ({ page }) => {
    await uploadAndOpen(page, 'nested.csv', jars, 'Size');
    await choose(page, /^Split by/, 'Kind');
    await choose(page, /^And within it by/, 'Shelf');
    const heads = page.getByRole('region', { name: 'Figures' }).getByRole('columnheader');
    await expect(heads).toHaveText(['Overall', 'heather · a', 'heather · b', 'lime · a', 'lime · b', 'lime · no entry']);
    await choose(page, /^Rows without an entry/, 'hidden');
    await expect(heads).toHaveText(['Overall', 'heather · a', 'heather · b', 'lime · a', 'lime · b']);
    expect(await figures(page, 'n')).toEqual(['4', '1', '1', '1', '0']);
});

test('a number splits the rows by its classes', async ({ page }) => {
    const rows = Array.from({ length: 60 }, (_, i) => `${i % 7},${i / 2}`).join('\n');
    await uploadAndOpen(page, 'classes.csv', `x,age\n${rows}\n`, 'x');
    await choose(page, /^Split by/, 'age');
    await expect(page.getByRole('region', { name: 'Figures' }).getByRole('columnheader').nth(1)).toHaveText('0 to under 10');
    expect(await figures(page, 'n')).toEqual(['60', '20', '20', '20']);
});

test('a working opens beside a figure, exact, with the other conventions', async ({ page }) => {
    await uploadAndOpen(page, 'working.csv', 'g,x\na,1\na,2\na,6\nb,9\n', 'x');
    await page.getByRole('button', { name: /^Variance/ }).click();
    const working = page.getByRole('complementary', { name: 'Working' });
    // By hand: the mean is 4.5; 12.25 + 6.25 + 2.25 + 20.25 = 41, over 3.
    await expect(working).toContainText('x¯ = 184 = 4.5');
    await expect(working).toContainText('= 41');
    await expect(working).toContainText('in full 13.666666666666666');
    await expect(working.getByRole('row', { name: /a population/ })).toContainText('10.3');
    await page.getByRole('button', { name: /^Lower quartile/ }).click();
    await expect(working.getByRole('heading', { level: 2 })).toHaveText('Lower quartile Q₁');
    await expect(working.getByRole('row')).toHaveCount(11);
    await expect(working.getByRole('row', { name: /definition 7/ })).toContainText('1.8');
    await expect(working.getByRole('listitem')).toHaveCount(4);

    await choose(page, /^Split by/, 'g');
    await choose(page, /^Of:/, 'a');
    await expect(working).toContainText('x(1) = 1');
    await working.getByRole('button', { name: 'Close' }).click();
    await expect(working).toBeHidden();
});

test('a figure that was given is found, and where a value stands is said', async ({ page }) => {
    await uploadAndOpen(page, 'match.csv', 'x\n2\n4\n4\n5\n10\n', 'x');
    await page.getByLabel(/^Given a figure of/).fill('7.2');
    await page.getByRole('button', { name: 'Match' }).click();
    await expect(page.getByText('taken as a population').first()).toBeVisible();
    await page.locator('summary', { hasText: 'taken as a population' }).first().click();
    await expect(page.getByText('σ² = 365 = 7.2')).toBeVisible();
    await page.getByLabel(/^Where does/).fill('5');
    await page.getByRole('button', { name: 'Show', exact: true }).click();
    await expect(page.getByText('5 is at the 70th percentile, z = 0.00.')).toBeVisible();
});

test('frequencies of categories one way and two way, of numbers by value and by class', async ({ page }) => {
    await uploadAndOpen(page, 'frequencies.csv', jars, 'Kind');
    const table = page.getByRole('region', { name: 'Frequency table' });
    await expect(table.getByRole('row', { name: /^lime/ })).toHaveText(/lime\s*3\s*60\.0\s*100\.0/);
    await choose(page, /^Drawn as/, 'strokes in fives');
    await expect(table.locator('svg[data-tally="3"]')).toBeVisible();
    await choose(page, /^Order of the table/, 'order of count');
    await expect(table.getByRole('row').nth(1)).toHaveText(/^lime/);
    await choose(page, /^Split by/, 'Shelf');
    await choose(page, /^Shown as/, '% of each row');
    await expect(table.getByRole('row', { name: /^heather/ })).toHaveText(/heather\s*100\.0\s*50\.0\s*50\.0\s*0\.0/);
});

test('a click copies a figure in full precision, and tables leave as text with their basis', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await uploadAndOpen(page, 'copy.csv', 'x\n1\n2\n2\n', 'x');
    await page.getByTitle('Copy 1.6666666666666667').click();
    expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('1.6666666666666667');
    await page.getByRole('button', { name: 'Copy table' }).first().click();
    await expect(page.getByText('Copied: the table of x')).toBeVisible();
    const text = await page.evaluate(() => navigator.clipboard.readText());
    expect(text).toContain('Mean x̄\t1.6666666666666667');
    expect(text).toContain('Basis\tTaken as a sample; quartiles by halves, middle left out; no counts; all rows;');
    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as CSV' }).first().click();
    expect((await saved).suggestedFilename()).toBe('x.csv');
});
