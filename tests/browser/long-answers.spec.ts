import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { bringIn, signIn } from './steps';

const hives = 'Before,Site\n12,north\n14,south\n9,north\n';

async function isAccessible(page: Page): Promise<void> {
    for (const colorScheme of ['dark', 'light'] as const) {
        await page.emulateMedia({ colorScheme });
        expect((await new AxeBuilder({ page }).setLegacyMode().include('[role="progressbar"]').analyze()).violations).toEqual([]);
        const foot = page.locator('div', { has: page.getByRole('progressbar') }).last();
        await expect(foot.getByRole('button', { name: 'Stop it' })).toBeVisible();
        expect((await new AxeBuilder({ page }).setLegacyMode().withRules(['color-contrast', 'target-size']).analyze()).violations).toEqual(
            [],
        );
    }
}

test('an answer that takes long says how far it is, and can be stopped and asked for again', async ({ page }) => {
    await signIn(page);
    await bringIn(page, 'long.csv', hives);
    let isSlow = true;
    let stopped: string | null = null;
    await page.route('**/api/underway/**', async (route) => {
        if (route.request().url().endsWith('/stop')) {
            stopped = /([0-9a-f]+)\/stop$/.exec(route.request().url())?.[1] ?? null;
            await route.fulfill({ status: 204 });
        } else {
            await route.fulfill({ json: { what: 'Putting the rows in order', share: 0.43 } });
        }
    });
    await page.route('**/rows?*sort=*', async (route) => {
        if (!isSlow || !route.request().url().includes('/api/')) {
            await route.continue();
            return;
        }
        const name = route.request().headers()['x-underway'];
        expect(name).toMatch(/^[0-9a-f]{32}$/);
        await expect.poll(() => stopped, { timeout: 20_000 }).not.toBe(null);
        await route.fulfill({ status: 409, json: { message: 'It was stopped before it was done.' } });
    });
    await page.getByRole('link', { name: 'Open its profile' }).first().click();
    await page.getByRole('link', { name: 'Rows', exact: true }).click();
    await page.getByRole('button', { name: /^Ordered/ }).click();
    await page.getByRole('menuitemradio', { name: 'by Before, largest first' }).click();

    const bar = page.getByRole('progressbar', { name: 'Putting the rows in order' });
    await expect(bar).toHaveAttribute('aria-valuenow', '43');
    await expect(page.getByText('43 %')).toBeVisible();
    // In a small window, too, it stands at the foot of what is seen.
    await page.setViewportSize({ width: 320, height: 640 });
    await expect(bar).toBeInViewport();
    await isAccessible(page);
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.getByRole('button', { name: 'Stop it' }).press('Enter');
    await expect(page.getByText('It was stopped before it was done.').first()).toBeVisible();
    await expect(bar).toHaveCount(0);

    isSlow = false;
    await page.getByRole('button', { name: 'Try again' }).first().click();
    await expect(page.getByText('It was stopped before it was done.')).toHaveCount(0);
    await expect(page.getByRole('gridcell', { name: '14' }).first()).toBeVisible();
});

test('a file that is written for long says how far it is', async ({ page }) => {
    await signIn(page);
    await bringIn(page, 'taken out.csv', hives);
    await page.getByRole('link', { name: 'Open its profile' }).first().click();
    await page.getByRole('link', { name: 'Rows', exact: true }).click();
    await page.getByRole('button', { name: 'Take out' }).click();
    let share: number | null = 0.07;
    let asked = '';
    await page.route('**/api/underway/**', async (route) => {
        asked = route.request().url().split('/').pop() ?? '';
        await route.fulfill({ json: { what: share === null ? null : 'Writing the file', share } });
    });
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'CSV', exact: true }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe('taken-out.csv');
    await expect(page.getByRole('progressbar', { name: 'Writing the file' })).toHaveAttribute('aria-valuenow', '7');
    expect(new URL(file.url()).searchParams.get('underway')).toBe(asked);
    share = null;
    await expect(page.getByRole('progressbar')).toHaveCount(0);
});
