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
    await page.getByRole('rowheader', { name: 'Row 6', exact: true }).click();
    await page.getByRole('button', { name: 'Set 1 row aside' }).click();
    await page.getByRole('textbox', { name: 'Why no figure should count it' }).fill('the scale was broken');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('rowheader', { name: 'Row 6, set aside: the scale was broken' })).toBeVisible();
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

test('a far row is judged: what changes without it, looked at and stays, or set aside, from the sheet', async ({ page }) => {
    await uploadAndOpen(page, 'judged.csv', hives, 'Honey');
    await page.getByRole('button', { name: /^Judge it/ }).click();
    const far = page.getByRole('region', { name: 'Far rows' });
    await expect(far.getByRole('row')).toHaveCount(2);
    await expect(far.getByRole('row').nth(1)).toContainText(/6\s*S3\s*90\s*South\s*all/);
    // By hand: 105/6 with it, 15/5 without.
    await expect(page.locator('[data-without="mean"]')).toContainText(/17\.5\s*3\.0\s*−14\.5/);
    await expect(page.locator('[data-spread]')).toHaveCount(3);
    // z of 90 is (90 − 17.5) / 35.55.
    await expect(page.getByRole('region', { name: 'z-scores' }).getByRole('row').nth(1)).toContainText(
        /6\s*S3\s*90\s*2\.04\s*2 SD or more/,
    );
    // The shape in one place, and what its tests mean; never that it is one.
    const shape = page.getByRole('region', { name: 'Shape of Honey' });
    await expect(shape.locator('svg')).toHaveCount(2);
    await expect(shape.locator('[data-shape="skewness"]')).toContainText('2.4');
    await expect(shape.locator('[data-shape="shapiro_wilk"]')).toContainText('samples from a normal distribution stray as far');
    await expect(page.locator('[data-depends="mean"]')).toContainText('by the far values');
    const stays = far.getByRole('button', { name: 'Row 6: looked at, stays' });
    await stays.click();
    await expect(stays).toHaveAttribute('aria-pressed', 'true');
    await far.getByRole('button', { name: 'set aside: row 6' }).click();
    await page.getByRole('button', { name: 'slip of the pen' }).click();
    await expect.poll(() => figures(page, 'mean')).toEqual(['3.0']);
    await expect(page.getByText('No row lies beyond the fences.')).toBeVisible();
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toContainText('1 set aside');
});

test('by keyboard alone: an outlier is set aside from the sheet, leaves the figures, stands in the report, is undone and deleted', async ({
    page,
}) => {
    await uploadAndOpen(page, 'keys.csv', hives, 'Honey');
    const press = async (name: RegExp | string) => {
        const button = page.getByRole('button', { name }).first();
        await button.focus();
        await page.keyboard.press('Enter');
    };
    await press(/^Judge it/);
    await expect(page.getByRole('region', { name: 'Far rows' })).toBeVisible();
    await press('set aside: row 6');
    const reason = page.getByRole('textbox', { name: /^Why no figure should count/ });
    await reason.focus();
    await page.keyboard.type('the scale was broken');
    await page.keyboard.press('Enter');
    await expect.poll(() => figures(page, 'mean')).toEqual(['3.0']);

    const report = page.getByRole('link', { name: 'Report' });
    await report.focus();
    await page.keyboard.press('Enter');
    await press('Fill the report');
    const aside = page.getByRole('article', { name: /: Rows set aside$/ });
    await aside.scrollIntoViewIfNeeded();
    await expect(aside.getByRole('row').nth(1)).toContainText(/6\s*S3\s*South\s*90\s*the scale was broken/);

    // Deleted, it is set aside no more; the last two changes undone, it counts again.
    await page.getByRole('link', { name: 'Rows', exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('grid').focus();
    for (let row = 1; row < 6; ++row) {
        await page.keyboard.press('ArrowDown');
    }
    await press(/^Delete 1 row/);
    // Five, and the one that is not there yet.
    await expect(page.locator('[data-row]')).toHaveCount(6);
    await expect(page.getByRole('button', { name: /^Set aside/ })).toHaveCount(0);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('rowheader', { name: /^Row 6, set aside/ })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('rowheader', { name: 'Row 6', exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).focus();
    await page.keyboard.press('Enter');
    await aside.scrollIntoViewIfNeeded();
    await expect(aside).toContainText('0 of 6 rows are set aside');
});
