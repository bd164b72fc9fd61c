import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { bringIn, figures, signIn, upload, uploadAndOpen } from './steps';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

const refused: [string, string | Buffer, string][] = [
    ['an empty file', '', 'The file is empty.'],
    ['a file with a header only', 'a,b,c\n', 'The file has 3 names in its first line and no row below it.'],
    [
        'a binary file called .csv',
        Buffer.from([0x50, 0x4b, 3, 4, 20, 0, 6, 0]),
        'The file cannot be read: the zip archive that it is cannot be opened.',
    ],
];

for (const [what, content, sentence] of refused) {
    test(`${what} gets a sentence and makes no dataset`, async ({ page }) => {
        const name = `${what}.csv`;
        await upload(page, name, content);
        const told = page.getByRole('alert').filter({ hasText: sentence });
        await expect(told).toBeVisible();
        await told.getByRole('button', { name: 'Dismiss' }).click();
        await expect(told).toHaveCount(0);
        await page.reload();
        await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
        await expect(page.getByRole('link', { name: what })).toHaveCount(0);
    });
}

test('a ragged file says which line it is, and what to do', async ({ page }) => {
    await upload(page, 'ragged.csv', 'a,b\n1,2\n3,4,5\n');
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await expect(page.getByRole('alert')).toContainText('Line 3 has 3 cells, but the first line has 2 names.');
});

test('the messy file as it was sent comes through intake with no unread cell', async ({ page }) => {
    const messy = readFileSync('demo/spring-inspection-as-sent.csv');
    await upload(page, 'messy.csv', messy);
    await expect(page.getByRole('heading', { name: '7 cells could not be read' })).toBeVisible();
    await expect(page.getByText('left out: rows that begin with')).toContainText('Total');
    await page.getByRole('button', { name: 'treat “n/a” as missing' }).click();
    await expect(page.getByRole('heading', { name: '3 cells could not be read' })).toBeVisible();
    await page.getByRole('button', { name: 'Do the first of each' }).click();
    await expect(page.getByText('Every cell could be read.')).toBeVisible();
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Honey yield', exact: true }).click();
    await expect.poll(() => figures(page, 'n')).toEqual(['223']);

    // The same columns read again later: what was decided is remembered.
    await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    await upload(page, 'messy again.csv', messy);
    await expect(page.getByText('Every cell could be read.')).toBeVisible();
    await page.getByRole('button', { name: 'Discard' }).click();
    await expect(page.getByText('Cancelled; nothing was kept of it.')).toBeVisible();
});

test('a number that can be read in two ways is asked about, and is what was answered', async ({ page }) => {
    await upload(page, 'visitors.csv', 'Visitors;Place\n4.767;a\n12.989;b\n989;a\n');
    const doubts = page.getByRole('region', { name: 'What can be read in two ways' });
    await expect(doubts).toContainText(
        'In Visitors three digits follow every mark, and nothing in the table shows what the mark is: “4.767” is read as 4.767 and could mean 4767.',
    );
    await doubts.getByRole('button', { name: 'it means 4767' }).click();
    await expect(doubts).toHaveCount(0);
    await expect(page.getByText('Every cell could be read.')).toBeVisible();
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await page.getByRole('link', { name: 'Open its rows' }).click();
    await expect(page.locator('[data-row="1"] [data-key="visitors"]')).toHaveText('12989');
});

test('a pasted list, values with counts and a pasted table come in', async ({ page }) => {
    const paste = async (text: string) => {
        await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
        await page.getByRole('button', { name: 'Paste as text' }).click();
        await page.getByLabel('Rows as text').fill(text);
        await page.getByRole('button', { name: 'See how it is read' }).click();
        await page.getByRole('button', { name: 'Bring in the rows' }).click();
        await page.getByRole('link', { name: 'Open its profile' }).click();
    };
    await paste('5, 7 9; 12');
    await expect.poll(() => figures(page, 'sum')).toEqual(['33']);
    await paste('2 ×3\n4 ×1');
    const rail = page.getByRole('complementary', { name: 'Variables' });
    await expect(rail.getByRole('button', { name: /^Value/ })).toBeVisible();
    await expect(rail.getByRole('button', { name: /^Count/ })).toBeVisible();
    await paste('hive\tkg\nA\t1,5\nB\t2,5\n');
    await rail.getByRole('button', { name: 'kg' }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual(['2.00']);
});

test('a file of 50 MB is imported with progress, and another one can be cancelled', async ({ page }) => {
    test.setTimeout(300_000);
    const line = Array.from({ length: 10 }, (_, i) => `${i}1.25`).join(',');
    const rows = 1_000_000;
    const content = Buffer.concat([Buffer.from('a,b,c,d,e,f,g,h,i,j\n'), Buffer.from(`${line}\n`.repeat(rows))]);
    expect(content.length).toBeGreaterThan(50_000_000);
    // Held by the page itself: a file as large as this cannot be handed over in one message.
    await page.evaluate(() => {
        const input = document.querySelector<HTMLInputElement>('input[type=file]');
        const text = `${Array.from({ length: 10 }, (_, i) => `${i}1.25`).join(',')}\n`.repeat(1_000_000);
        const files = new DataTransfer();
        files.items.add(new File(['a,b,c,d,e,f,g,h,i,j\n', text], 'large.csv', { type: 'text/csv' }));
        files.items.add(new File(['a,b,c,d,e,f,g,h,i,j\n', text], 'unwanted.csv', { type: 'text/csv' }));
        if (input !== null) {
            input.files = files.files;
            input.dispatchEvent(new Event('change', { bubbles: true }));
        }
    });
    const status = (name: string) => page.getByRole('status').filter({ hasText: name });
    for (const name of ['large', 'unwanted']) {
        await status(name).getByRole('button', { name: 'Bring in as recognised' }).first().click({ timeout: 60_000 });
    }
    await status('unwanted.csv').getByRole('button', { name: 'Cancel' }).click({ timeout: 60_000 });
    await expect(page.getByText(/Reading: [\d,]+ rows so far/).first()).toBeVisible({ timeout: 60_000 });
    await expect(status('large.csv')).toContainText('1,000,000 rows read', { timeout: 120_000 });
    await expect(status('unwanted.csv')).toContainText('Cancelled; nothing was kept of it.', { timeout: 60_000 });
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await expect(page.locator('td[data-figure="n"]')).toHaveText(Array<string>(10).fill('1000000'));
});

test('an import goes on while the page is reloaded, and its remarks are found in the profile', async ({ page }) => {
    await uploadAndOpen(page, 'remarks.csv', 'a,b\n1,2\n\n3\n4,x\n5,6\n7,8\n');
    await page.getByText('How the file was read: 3 remarks').click();
    await expect(page.getByText('One blank line was passed over.')).toBeVisible();
    await expect(page.getByText('One row has fewer cells than there are names (the first is line 4 of the file)')).toBeVisible();
    await expect(page.getByText('Cells that could not be read were kept as text and count as missing: b (1).')).toBeVisible();
});

test('a dataset is deleted only after asking', async ({ page }) => {
    await bringIn(page, 'short lived.csv', 'x\n1\n');
    await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    const row = page.getByRole('row', { name: /short lived/ });
    await expect(row).toBeVisible();
    await row.getByRole('button', { name: 'Delete' }).click();
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(row).toBeVisible();
    await row.getByRole('button', { name: 'Delete' }).click();
    await page.getByRole('button', { name: 'Delete it' }).click();
    await expect(row).toHaveCount(0);
});
