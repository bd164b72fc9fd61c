import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { choose, signIn, uploadAndOpen } from './steps';

test('a report is handed over as a PDF and as a page that opens without scripts', async ({ page, browser }) => {
    await signIn(page);
    await uploadAndOpen(page, 'handed.csv', 'Tag,Yield (kg)\nA,20\nB,22\nC,30\nD,34\n', 'Yield');
    await expect(page.locator('[data-box]')).toBeVisible();
    await page.locator('figure').first().getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
    await expect(page.getByText('Kept for the report: Yield', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: 'Hand it over' }).click();
    await choose(page, /^Paper/, 'Letter');
    const pdf = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Hand over as PDF' }).click();
    const bytes = await readFile(await (await pdf).path());
    expect((await pdf).suggestedFilename()).toBe('handed.pdf');
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');

    const file = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Hand over as Page' }).click();
    const reader = await browser.newContext({ javaScriptEnabled: false, offline: true, viewport: { width: 320, height: 640 } });
    const opened = await reader.newPage();
    await opened.setContent(await readFile(await (await file).path(), 'utf8'));
    await expect(opened.getByRole('heading', { level: 1 })).toHaveText('handed');
    await expect(opened.getByRole('table')).toContainText('26.5');
    await expect(opened.getByRole('img')).toBeVisible();
    expect(await opened.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
    await reader.close();

    // What fails is said in place, and the others still work.
    await page.route('**/report/docx*', (route) =>
        route.fulfill({ status: 503, json: { message: 'The file for word processors cannot be made: this server has no pandoc.' } }),
    );
    await page.getByRole('button', { name: 'Hand over as DOCX' }).click();
    await expect(page.getByRole('alert')).toContainText('this server has no pandoc');
    await expect(page.getByRole('button', { name: 'Hand over as PDF' })).toBeEnabled();
});
