import { expect, test } from '@playwright/test';
import { choose, signIn } from './steps';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('a pasted table of classes comes to mean and standard deviation, counts are not forgotten', async ({ page }) => {
    await page.getByRole('button', { name: 'Paste as text' }).click();
    await page.getByLabel('Rows as text').fill('Combs\tHives\n10-14\t2.5\n15-19\t8.5\n20 and over\t2\n');
    await page.getByRole('button', { name: 'See how it is read' }).click();
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Combs', exact: true }).click();
    await page.getByRole('button', { name: 'Use it as counts' }).click();
    // By hand: 12 × 2.5 + 17 × 8.5 + 22 × 2 is 218.5, over 13.
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('16.8');
    await expect(page.locator('td[data-grouped="sd"]')).toHaveText('3.1');
    await expect(page.locator('rect[data-class]')).toHaveCount(3);
    await expect(page.locator('g[data-box="estimated"] rect')).toHaveCount(1);
    // 8.5 of 13 hives are 65.4 %, in a class 5 wide.
    await expect(page.getByRole('region', { name: 'Classes', exact: true }).getByRole('row').nth(2)).toHaveText(
        /^15-19.*65\.4\s*84\.6\s*13\.08$/,
    );
    await expect(page.getByText('open, width assumed')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Use it as counts' })).toBeHidden();

    await page.getByLabel('near a stated').fill('14.0');
    await page.getByRole('button', { name: 'Compare', exact: true }).click();
    await expect(page.getByText('16.8 lies above 11.9–16.1: it is 20.1 % more than the stated 14.0, and 15 % was allowed.')).toBeVisible();

    await choose(page, /^Limits are/, 'completed units');
    await expect(page.getByRole('region', { name: 'Classes', exact: true })).toContainText('10 to 15');
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('17.3');

    await choose(page, /^Counts/, 'no counts');
    await page.getByRole('button', { name: 'No, and do not ask again' }).click();
    await page.reload();
    await expect(page.locator('td[data-grouped="n"]')).toHaveText('3');
    await expect(page.getByRole('button', { name: 'Use it as counts' })).toBeHidden();
});
