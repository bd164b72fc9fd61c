import { expect, test } from '@playwright/test';
import { figures, signIn, uploadAndOpen } from './steps';

const hives = 'Tag,Apiary,Honey (kg)\nN1,North,1\nN2,North,2\nN3,North,3\nS1,South,4\nS2,South,5\nS3,South,90\n';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('a row is set aside for a reason: it leaves the figures, stays in the rows, and comes back', async ({ page }) => {
    await uploadAndOpen(page, 'aside.csv', hives, 'Honey');
    await expect.poll(() => figures(page, 'mean')).toEqual(['17.5']);
    await page.getByRole('link', { name: 'Rows' }).click();
    await page.getByRole('button', { name: 'Row 6', exact: true }).click();
    await page.getByRole('button', { name: 'Set 1 row aside' }).click();
    await page.getByRole('textbox', { name: 'Why no figure should count it' }).fill('the scale was broken');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Row 6, set aside: the scale was broken' })).toBeVisible();
    await expect(page.locator('[data-row="5"]')).toHaveCSS('text-decoration-line', 'line-through');

    await page.getByRole('link', { name: 'Profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Honey', exact: true }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual(['3.0']);
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toContainText('all rows but 1 set aside');

    await page.getByRole('link', { name: '1 set aside' }).click();
    await expect(page.locator('[data-row]').filter({ hasText: 'S3' })).toBeVisible();
    await expect(page.getByText('1 of 6 rows, where')).toBeVisible();
    await page.getByRole('button', { name: /^Set aside/ }).click();
    await page.getByRole('button', { name: 'Bring all back' }).click();
    await expect(page.getByRole('button', { name: /^Set aside/ })).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /^Set aside/ })).toBeVisible();
    await page.getByRole('link', { name: 'Profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Honey', exact: true }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual(['3.0']);
});
