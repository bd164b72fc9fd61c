import { writeFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { signIn } from './steps';

const MB = 1024 * 1024;

async function choose(page: Page, path: string): Promise<void> {
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose a file' }).click();
    await (await chooser).setFiles(path);
}

test('a long file comes in parts: what is lost on the way is sent again, a closed page is gone on with, and it can be given up', async ({
    page,
}, info) => {
    const path = info.outputPath(`long ${info.workerIndex}.csv`);
    const line = (i: number) => `H${i},${(i % 977) / 4},${'a site with quite a long name indeed'.slice(0, 20 + (i % 16))}\n`;
    await writeFile(path, `Tag,Yield,Site\n${Array.from({ length: 480_000 }, (_, i) => line(i)).join('')}`);
    await signIn(page);
    const rest = page.getByRole('status').filter({ hasText: 'Choose the same file again to go on from there.' });
    await page.waitForLoadState('networkidle');
    for (let left = await rest.count(); left > 0; left -= 1) {
        // Of a run that was broken off.
        await rest.first().getByRole('button', { name: 'Give it up' }).click();
        await expect(rest).toHaveCount(left - 1);
    }

    // The second part never gets through; the page is closed meanwhile.
    let sent: number[] = [];
    page.on('request', (request) => {
        if (request.method() === 'PATCH') {
            sent.push(Number(request.headers()['upload-offset']));
        }
    });
    await page.route('**/api/uploads/*', async (route) => {
        await (route.request().method() === 'PATCH' && route.request().headers()['upload-offset'] !== '0' ? undefined : route.continue());
    });
    await choose(page, path);
    await expect.poll(() => sent).toEqual([0, 8 * MB]);
    await page.reload();
    await page.unroute('**/api/uploads/*');
    await expect(rest).toContainText('8.4 MB of');

    // Gone on with: nothing that is here is sent again, and a connection that is lost is waited for.
    sent = [];
    let isLost = true;
    await page.route('**/api/uploads/*', async (route) => {
        if (isLost && route.request().method() === 'PATCH') {
            isLost = false;
            await route.abort();
        } else {
            await route.continue();
        }
    });
    await choose(page, path);
    await expect(page.getByRole('button', { name: 'Bring in the rows' })).toBeVisible({ timeout: 60_000 });
    expect(sent).toEqual([8 * MB, 8 * MB, 16 * MB]);
    await expect(page.getByRole('cell', { name: 'H1', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Discard' }).click();

    // Given up, nothing stays.
    await page.goto('/datasets');
    await expect(rest).toHaveCount(0);
    await page.route('**/api/uploads/*', async (route) => {
        await (route.request().method() === 'PATCH' && route.request().headers()['upload-offset'] !== '0' ? undefined : route.continue());
    });
    sent = [];
    await choose(page, path);
    await expect.poll(() => sent).toEqual([0, 8 * MB]);
    await page.reload();
    await page.unroute('**/api/uploads/*');
    await rest.getByRole('button', { name: 'Give it up' }).click();
    await expect(rest).toHaveCount(0);
    expect(await page.evaluate(async () => (await (await fetch('/api/uploads')).json()) as unknown[])).toEqual([]);
});
