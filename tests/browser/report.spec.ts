import { expect, test } from '@playwright/test';
import { signIn, uploadAndOpen } from './steps';

test('a picture and a table are kept, noted, arranged, and say when the data have changed since', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'kept.csv', 'Tag,x (kg)\nH-1,1\nH-2,2\nH-3,4\n', 'x');
    await expect(page.locator('[data-box]')).toBeVisible();
    await page.getByLabel('Title of the picture of x (kg)').fill('Three hives');
    await page.locator('figure').first().getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('Kept for the report: Three hives')).toBeVisible();
    await page.getByRole('button', { name: 'Keep', exact: true }).first().click();
    await expect(page.getByText('Kept for the report: x')).toBeVisible();

    await page.getByRole('link', { name: 'Report' }).click();
    await expect(page.getByRole('article')).toHaveCount(2);
    const picture = page.getByRole('article', { name: 'Three hives' });
    await expect.poll(() => picture.locator('img').evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(300);
    await expect(picture).toContainText('Taken as a sample; quartiles by halves, middle left out');
    await page.getByRole('button', { name: 'Move x up' }).click();
    await expect(page.getByRole('article').first()).toContainText('2.3');
    await picture.getByLabel('Note on Three hives').fill('The heaviest weighs as much as all others twice.');
    await picture.getByLabel('Note on Three hives').blur();
    await page.reload();
    // A note far below is read as it stands, and can be written in when it comes near.
    await expect(picture.getByText('The heaviest weighs')).toHaveCount(1);
    await picture.getByRole('img').scrollIntoViewIfNeeded();
    await expect(page.getByLabel('Note on Three hives')).toHaveText('The heaviest weighs as much as all others twice.');
    await expect(page.getByText('The data have changed since')).toBeHidden();

    const dataset = /datasets\/(\d+)/.exec(page.url())?.[1] ?? '';
    await page.evaluate(async (id) => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
        await fetch(`/api/datasets/${id}/changes`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
            body: JSON.stringify({ revision: 1, kind: 'edit-cells', edits: [{ row: 1, variable: 'x', text: '9' }] }),
        });
    }, dataset);
    await page.reload();
    await expect(page.getByText('The data have changed since (then revision 1, now 2)')).toHaveCount(2);
    await page.getByRole('button', { name: 'Bring x up to date' }).click();
    await expect(page.getByText('The data have changed since')).toHaveCount(1);
    await expect(page.getByRole('article', { name: 'x', exact: true })).toContainText('5.0');
    await picture.getByRole('link', { name: 'See it as it is now' }).click();
    await expect(page.locator('td[data-figure="mean"]')).toHaveText(['5.0']);
    await page.goBack();
    await page.getByRole('button', { name: 'Take out x' }).click();
    await expect(page.getByRole('article')).toHaveCount(1);

    // What is begun below all of it comes into sight, ready to be written in.
    await page.getByRole('button', { name: 'Write something' }).click();
    const words = page.getByRole('textbox', { name: 'In our words', exact: true });
    await expect(words).toBeFocused();
    await expect(words).toBeInViewport();
});
