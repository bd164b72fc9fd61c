import { expect, type Locator, type Page, test } from '@playwright/test';
import { choose, KEEP, signIn, takeOut, uploadAndOpen, reload } from './steps';

const hives = 'Tag,x (kg),site\nH-1,1,a\nH-2,2,a\nH-3,4,b\nH-4,5,b\n';

/** Pictures above it may still grow into their place: what is taken by hand then is another thing. */
async function standsStill(what: Locator): Promise<void> {
    let before = '';
    await expect(async () => {
        const now = JSON.stringify(await what.boundingBox());
        const isStill = now === before;
        before = now;
        expect(isStill).toBe(true);
    }).toPass({ intervals: [700] });
}

async function change(page: Page, revision: number, text: string): Promise<void> {
    const dataset = /datasets\/(\d+)/.exec(page.url())?.[1] ?? '';
    await page.evaluate(
        async ([id, now, typed]) => {
            const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
            await fetch(`/api/datasets/${id}/changes`, {
                method: 'POST',
                headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
                body: JSON.stringify({ revision: Number(now), kind: 'edit-cells', edits: [{ row: 1, variable: 'x', text: typed }] }),
            });
        },
        [dataset, String(revision), text] as const,
    );
}

test('what is kept follows the data, and says which numbers have changed since somebody looked', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'kept.csv', hives, 'x');
    await expect(page.locator('[data-box]')).toBeVisible();
    await takeOut(page);
    await page.getByLabel('Title of the picture of x (kg)').fill('Four hives');
    await page.keyboard.press('Escape');
    await page.locator('figure').first().getByRole('button', { name: KEEP }).click();
    await expect(page.getByText('Kept for the report: Four hives')).toBeVisible();
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText('Kept for the report: x', { exact: true })).toBeVisible();

    await page.getByRole('link', { name: 'Report' }).click();
    const picture = page.getByRole('article', { name: 'Figure 1: Four hives' });
    const figures = page.getByRole('article', { name: 'Table 1: x' });
    await expect(picture.getByRole('img')).toBeVisible();
    await expect(figures.getByRole('table')).toContainText('3.0');
    await expect(figures).toContainText('Taken as a sample; quartiles by halves, middle left out');
    await expect(page.getByRole('region', { name: 'What has changed' })).toBeHidden();

    await change(page, 1, '3');
    await reload(page);
    await expect(figures.getByRole('table')).toContainText('3.5');
    const changed = page.getByRole('region', { name: 'What has changed' });
    await expect(changed).toContainText('numbers have changed since you last looked');
    await expect(changed.getByRole('button', { name: 'Mean of x (kg): 3.0 → 3.5' })).toBeVisible();
    await changed.getByRole('button', { name: 'Mean of x (kg): 3.0 → 3.5' }).click();
    await expect(figures).toBeFocused();
    await changed.getByRole('button', { name: 'I have seen them' }).click();
    await expect(changed).toBeHidden();
    await reload(page);
    await expect(figures.getByRole('table')).toBeVisible();
    await expect(changed).toBeHidden();

    await figures.getByRole('link', { name: 'See where it comes from' }).click();
    await expect(page.locator('td[data-figure="mean"]')).toHaveText(['3.5']);
});

test('blocks are moved by keys and by hand, titled, taken out and brought back', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'arranged.csv', hives, 'x');
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('radio', { name: /^One variable in depth/ }).check();
    await page.getByRole('checkbox', { name: 'x', exact: true }).check();
    await page.getByRole('button', { name: 'Fill the report' }).click();
    const articles = page.getByRole('article');
    await expect(articles.nth(3)).toHaveAccessibleName('Figure 1: x (kg)');
    await expect(articles.nth(1)).toContainText('The mean of x is 3.0 kg');

    // By keys, the focus stays on the handle.
    const handle = page.getByRole('button', { name: 'Move Figure 1: x (kg)' });
    await handle.focus();
    await page.keyboard.press('ArrowUp');
    await expect(articles.nth(2)).toHaveAccessibleName('Figure 1: x (kg)');
    await expect(handle).toBeFocused();
    await page.keyboard.press('ArrowUp');
    await expect(articles.nth(1)).toHaveAccessibleName('Figure 1: x (kg)');
    // By hand, before the first, once nothing above it grows any more.
    await page.waitForLoadState('networkidle');
    await standsStill(handle);
    await handle.dragTo(articles.first(), { targetPosition: { x: 200, y: 4 } });
    await expect(articles.first()).toHaveAccessibleName('Figure 1: x (kg)');

    await page.getByLabel('Title of Figure 1: x (kg)').fill('Weights');
    await page.getByLabel('Title of Figure 1: x (kg)').blur();
    await expect(articles.first()).toHaveAccessibleName('Figure 1: Weights');
    // Numbers follow the order.
    const count = await articles.count();
    await page.getByRole('button', { name: 'Take out Figure 1: Weights' }).click();
    await expect(articles).toHaveCount(count - 1);
    await expect(page.getByRole('article', { name: /^Figure 1: x \(kg\), stems/ })).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(articles.first()).toHaveAccessibleName('Figure 1: Weights');
    await page.locator('body').press('Control+z');
    await expect(articles.first()).toHaveAccessibleName('Figure 1: x (kg)');
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(articles.first()).toHaveAccessibleName('Figure 1: Weights');
    await reload(page);
    await expect(articles.first()).toHaveAccessibleName('Figure 1: Weights');

    // A line of how it was done stays out.
    const line = page.getByRole('checkbox', { name: /^SHA-256/ });
    await line.uncheck();
    await reload(page);
    await expect(line).not.toBeChecked();

    // Something more of the data, a heading, and words that lead to a table whose number follows.
    await page.getByRole('button', { name: 'Add from the data' }).click();
    await choose(page, /^What is added/, 'frequencies');
    await choose(page, /^Variable/, 'site');
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('article', { name: /: site$/ }).getByRole('table')).toContainText('50.0');
    await page.getByRole('button', { name: 'Write', exact: true }).click();
    const words = page.getByRole('textbox', { name: 'Text', exact: true }).last();
    await expect(words).toBeFocused();
    await page.keyboard.type('As {table 1');
    await expect(page.getByRole('listbox', { name: 'Figures' }).getByRole('option').first()).toHaveText('Leads to Table 1');
    await page.keyboard.press('Enter');
    await page.keyboard.type(' shows.');
    await expect(words).toHaveText('As Table 1 shows.');
    await words.press('Control+a');
    await page.getByRole('button', { name: 'Bold' }).click();
    await expect(words.locator('strong').first()).toContainText('As');
    await words.blur();
    await reload(page);
    await expect(page.getByText('As Table 1 shows.')).toBeVisible();
});

test('a report begun elsewhere goes on here: what was typed in two windows is in it', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'twice.csv', hives);
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: 'Begin with an empty one' }).click();
    await expect(page.getByLabel('Title of the report')).toHaveValue('twice');
    const other = await page.context().newPage();
    await other.goto(page.url());
    // It is kept before its page is gone: this way of closing asks nobody.
    const kept = other.waitForResponse((answer) => answer.request().method() !== 'GET' && answer.url().includes('/reports/'));
    await other.getByRole('button', { name: 'Heading' }).click();
    await expect(other.getByRole('article')).toHaveCount(1);
    expect((await kept).ok()).toBe(true);
    await other.close();
    await page.getByLabel('Title of the report').fill('Twice over');
    await page.getByLabel('Title of the report').blur();
    await expect(page.getByRole('article')).toHaveCount(1);
    await reload(page);
    await expect(page.getByLabel('Title of the report')).toHaveValue('Twice over');
    await expect(page.getByRole('article')).toHaveCount(1);
    await page.getByRole('button', { name: 'Delete this report' }).click();
    await page.getByRole('button', { name: 'Delete it' }).click();
    await expect(page.getByRole('heading', { name: 'Begin a report' })).toBeVisible();
});
