import { readFile } from 'node:fs/promises';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { HtmlValidate } from 'html-validate';
import { choose, KEEP, signIn, upload, uploadAndOpen } from './steps';

const hives = 'Tag,Yield (kg),Site\nA,20,n\nB,22,n\nC,30,s\nD,34,s\n';

test('from an upload to a PDF in under fifteen actions', async ({ page }) => {
    await signIn(page);
    let actions = 0;
    const act = async (deed: Promise<unknown>) => {
        await deed;
        actions += 1;
    };
    await act(upload(page, 'counted.csv', hives));
    await act(page.getByRole('button', { name: 'Bring in the rows' }).click());
    await act(page.getByRole('link', { name: 'Open its profile' }).first().click());
    await act(page.getByRole('link', { name: 'Report' }).click());
    await act(page.getByRole('button', { name: 'Fill the report' }).click());
    await act(page.getByRole('button', { name: 'Hand it over' }).click());
    const pdf = page.waitForEvent('download');
    await act(page.getByRole('button', { name: 'Hand over as PDF' }).click());
    const bytes = await readFile(await (await pdf).path());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect((await pdf).suggestedFilename()).toBe('counted-edition-1.pdf');
    expect(actions).toBeLessThan(15);
});

test('what is handed over opens without scripts, stays as it was, is read under a link and can be checked', async ({ page, browser }) => {
    await signIn(page);
    await uploadAndOpen(page, 'handed.csv', hives, 'Yield');
    await expect(page.locator('[data-box]')).toBeVisible();
    await page.locator('figure').first().getByRole('button', { name: KEEP }).click();
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText('Kept for the report: Yield', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(page.getByRole('table')).toContainText('26.5');

    // As it will be on paper.
    await page.getByRole('button', { name: 'As pages' }).click();
    await choose(page, /^Paper/, 'Letter');
    const sheet = page.getByRole('img', { name: 'Page 1 of' });
    await expect.poll(() => sheet.evaluate((image: HTMLImageElement) => image.naturalWidth), { timeout: 15_000 }).toBeGreaterThan(800);
    await page.getByRole('button', { name: 'Back to writing' }).click();

    await page.getByRole('button', { name: 'Hand it over' }).click();
    await page.getByLabel('A note on it, if any').fill('For the meeting');
    await page.getByRole('checkbox', { name: /^the rows go along/ }).check();
    const file = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Hand over as Page' }).click();
    const html = await readFile(await (await file).path(), 'utf8');
    const found = await new HtmlValidate({ extends: ['html-validate:standard'] }).validateString(html);
    expect(found.results.flatMap(({ messages }) => messages.map(({ line, message }) => `${line}: ${message}`))).toEqual([]);
    const reader = await browser.newContext({ javaScriptEnabled: false, offline: true, viewport: { width: 320, height: 640 } });
    const opened = await reader.newPage();
    await opened.setContent(html);
    await expect(opened.getByRole('heading', { level: 1 })).toHaveText('handed');
    await expect(opened.getByRole('table')).toContainText('26.5');
    await expect(opened.getByRole('img')).toBeVisible();
    expect(await opened.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
    await reader.close();
    await page.keyboard.press('Escape');
    await expect(page.getByText('Edition 1', { exact: true })).toBeVisible();
    await expect(page.getByText('For the meeting')).toBeVisible();

    // Under a link, with a passphrase, by somebody without an account.
    await page.getByRole('button', { name: 'Make a link to edition 1' }).click();
    await page.getByLabel('Passphrase, if one is to be asked for').fill('twelve hives');
    // Its last day, by keys: the first of the month after next, in a week that begins on Monday.
    const calendar = page.getByRole('group', { name: 'Last day on which it opens' });
    await calendar.getByRole('button', { name: 'The month after' }).click();
    await calendar.getByRole('button', { name: 'The month after' }).click();
    expect(await calendar.locator('th').allTextContents()).toEqual(['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']);
    const axe = await new AxeBuilder({ page }).include('[role="dialog"]').setLegacyMode().analyze();
    expect(axe.violations.map(({ id, nodes }) => ({ id, where: nodes[0]?.html.slice(0, 200) }))).toEqual([]);
    const day = calendar.getByRole('gridcell').getByRole('button', { name: /-01$/ });
    const last = ((await day.getAttribute('aria-label')) ?? '').replace(/^.*, /, '');
    await day.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Enter');
    await expect(calendar).toContainText(last);
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(/, until /)).toBeVisible();
    const address = (await page.getByText(/\/shared\//).textContent()) ?? '';
    const stranger = await browser.newContext();
    const shared = await stranger.newPage();
    await shared.goto(address);
    await expect(shared).toHaveTitle('A passphrase is asked for');
    await shared.getByLabel('The passphrase that came with the link').fill('wrong one');
    await shared.getByRole('button', { name: 'Read it' }).click();
    await expect(shared.getByRole('alert')).toContainText('not the passphrase');
    await shared.getByLabel('The passphrase that came with the link').fill('twelve hives');
    await shared.getByRole('button', { name: 'Read it' }).click();
    await expect(shared.getByRole('heading', { level: 1 })).toHaveText('handed');
    await shared.getByRole('img').hover();
    await expect(shared.locator('figure svg line[stroke-dasharray="3 3"]').last()).toBeAttached();
    await page.getByRole('button', { name: /^Take it back/ }).click();
    await expect(page.getByText(/\/shared\//)).toBeHidden();
    await shared.reload();
    await expect(shared.getByText('This link leads nowhere')).toBeVisible();
    await stranger.close();

    // Checked: as it is, and with one digit changed.
    await page.goto('/check');
    const drop = page.getByLabel('The report', { exact: true });
    await drop.setInputFiles({ name: 'report.html', mimeType: 'text/html', buffer: Buffer.from(html) });
    await page.getByRole('button', { name: 'Check it' }).click();
    await expect(page.getByRole('heading', { name: /^Every figure agrees/ })).toBeVisible();
    await drop.setInputFiles({
        name: 'report.html',
        mimeType: 'text/html',
        buffer: Buffer.from(html.replace('<td>26.5', '<td>26.7')),
    });
    await page.getByRole('button', { name: 'Check it' }).click();
    await expect(page.getByText('The text is not the one that was handed over')).toContainText('26.7');
    await expect(page.getByText('It may be Table 1: Mean of Yield (kg)')).toBeVisible();
    await drop.setInputFiles({ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('Dear all') });
    await page.getByRole('button', { name: 'Check it' }).click();
    await expect(page.getByRole('alert')).toContainText('no report that can be checked');
});

test('a form that fails says so in place, and the others still work', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'failing.csv', hives);
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: 'Begin with an empty one' }).click();
    await page.getByRole('button', { name: 'Hand it over' }).click();
    const told = { form: 'docx', size: 'a4', seconds: 1, bytes: 0, sha256: null };
    await page.route('**/files', (route) => route.fulfill({ status: 202, json: { ...told, status: 'making', error: null } }));
    await page.route('**/files/docx/status*', (route) =>
        route.fulfill({
            json: { ...told, status: 'failed', error: 'The file for word processors cannot be made: this server has no pandoc.' },
        }),
    );
    await page.getByRole('button', { name: 'Hand over as DOCX' }).click();
    await expect(page.getByRole('alert')).toContainText('this server has no pandoc');
    await page.unroute('**/files');
    const file = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Hand over as Tables and pictures' }).click();
    expect((await file).suggestedFilename()).toBe('failing-edition-1.zip');

    // One that takes long can be cancelled.
    await page.route('**/files', (route) => route.fulfill({ status: 202, json: { ...told, status: 'waiting', error: null } }));
    await page.route('**/files/docx/status*', (route) => route.fulfill({ json: { ...told, status: 'waiting', error: null } }));
    await page.getByRole('button', { name: 'Hand over as DOCX' }).click();
    await expect(page.getByRole('status')).toContainText('Waiting for its turn');
    const cancelled = page.waitForRequest((request) => request.method() === 'DELETE' && request.url().includes('/files/docx'));
    await page.getByRole('button', { name: 'Cancel' }).click();
    await cancelled;
});

test('the same report of other rows says what differs', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'season-two.csv', 'Tag,Yield (kg),Site\nA,21,n\nB,23,n\nC,31,s\nD,35,s\n');
    await page.goto('/datasets');
    await uploadAndOpen(page, 'season-one.csv', hives, 'Yield');
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText('Kept for the report: Yield', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: 'Again with other rows' }).click();
    await choose(page, /^Dataset/, 'season-two');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByLabel('Title of the report')).toHaveValue('season-one · season-two');
    await expect(page.getByRole('region', { name: 'What has changed' })).toContainText('Mean of Yield (kg): 26.5 → 27.5');
    await expect(page.getByRole('table')).toContainText('27.5');
});
