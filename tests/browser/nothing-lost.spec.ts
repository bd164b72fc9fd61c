import { expect, type Page, test } from '@playwright/test';
import { bringIn, choose, figures, KEEP, signIn, upload, uploadAndOpen } from './steps';

const hives = 'Tag,Before\nA1,10\nA2,8\nA3,3\n';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

async function openRows(page: Page, name: string): Promise<void> {
    await bringIn(page, name, hives);
    await page.getByRole('link', { name: 'Open its rows' }).click();
    await expect(cell(page, 1)).toHaveText('10');
}

function cell(page: Page, row: number) {
    return page.locator(`[data-row="${row - 1}"] [data-key="before"]`);
}

/** What says that the server was away; a failure of another test may be told beside it. */
function unanswered(page: Page) {
    return page.getByRole('alert').filter({ hasText: 'The server does not answer.' });
}

async function type(page: Page, row: number, text: string): Promise<void> {
    await cell(page, row).click();
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
}

test('what could not be sent stays in its cell, and is sent when the server is back', async ({ page }) => {
    await openRows(page, 'away.csv');
    await page.route('**/changes', (route) => route.abort());
    await type(page, 1, '41');
    await type(page, 2, '42');
    await expect(page.getByText('2 changes not saved yet.')).toBeVisible();
    await expect(cell(page, 1)).toHaveText('41');
    // Leaving for another place loses nothing either, nor does loading the page anew.
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect(cell(page, 2)).toHaveText('42');
    await page.getByRole('link', { name: 'Profile' }).click();
    await expect(page.getByText('2 changes not saved yet.')).toBeVisible();
    await page.getByRole('link', { name: 'Open the rows' }).click();
    await expect(page.getByRole('button', { name: 'Send it now' })).toBeVisible();
    // Sent by a press, or by itself where that comes first.
    await page.unroute('**/changes');
    await page
        .getByRole('button', { name: 'Send it now' })
        .click({ timeout: 3000 })
        .catch(() => undefined);
    await expect(page.getByText('not saved yet')).toHaveCount(0);
    await page.reload();
    await expect(cell(page, 1)).toHaveText('41');
    await expect(cell(page, 2)).toHaveText('42');
});

test('what was not sent when the page was loaded anew is sent from another place too', async ({ page }) => {
    await openRows(page, 'elsewhere.csv');
    await page.route('**/changes', (route) => route.abort());
    await type(page, 1, '41');
    await expect(page.getByText('1 change not saved yet.')).toBeVisible();
    page.on('dialog', (dialog) => void dialog.accept());
    await page.unroute('**/changes');
    await page.goto(new URL(page.url()).pathname.replace(/rows$/, 'profile?of=before'));
    await expect.poll(() => figures(page, 'max')).toEqual(['41']);
    await expect(page.getByText('not saved yet')).toHaveCount(0);
});

test('a change that was made without its answer having come is not made again when the page is loaded anew', async ({ page }) => {
    await openRows(page, 'unanswered.csv');
    await page.route('**/changes', async (route) => {
        await route.fetch();
        await route.abort();
    });
    await type(page, 1, '41');
    await type(page, 2, '42');
    await expect(page.getByText('2 changes not saved yet.')).toBeVisible();
    page.on('dialog', (dialog) => void dialog.accept());
    await page.unroute('**/changes');
    await page.reload();
    await expect(page.getByText('not saved yet')).toHaveCount(0);
    await expect(page.getByRole('alertdialog')).toHaveCount(0);
    await expect.poll(async () => [await cell(page, 1).textContent(), await cell(page, 2).textContent()]).toEqual(['41', '42']);
    await page.keyboard.press('ControlOrMeta+z');
    await expect(cell(page, 2)).toHaveText('8');
    await expect(cell(page, 1)).toHaveText('41');
});

test('a save in flight while one goes on to the profile arrives', async ({ page }) => {
    await openRows(page, 'in flight.csv');
    await page.route('**/changes', async (route) => {
        await new Promise((resolve) => setTimeout(resolve, 1500));
        await route.continue();
    });
    await type(page, 1, '41');
    await page.getByRole('link', { name: 'Profile' }).click();
    await page.getByRole('complementary', { name: 'Variables' }).getByRole('button', { name: 'Before' }).click();
    await expect.poll(() => figures(page, 'max')).toEqual(['41']);
});

test('a session that ended is opened again in place, and what was typed goes on', async ({ page, context }) => {
    await openRows(page, 'session.csv');
    // Every answer brings the session's cookie again: the last one must be there before it is taken away.
    await page.waitForLoadState('networkidle');
    const cookies = await context.cookies();
    await context.clearCookies();
    await type(page, 1, '41');
    await expect(page.getByRole('dialog')).toContainText('Sign in');
    await expect(cell(page, 1)).toHaveText('41');
    await page
        .getByRole('dialog')
        .getByLabel('E-mail')
        .fill(`browser-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`);
    await page.getByRole('dialog').getByLabel('Password').fill('browser-tests');
    await page.getByRole('dialog').getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(page.getByText('not saved yet')).toHaveCount(0);
    await page.reload();
    await expect(cell(page, 1)).toHaveText('41');
    await context.addCookies(cookies);
});

test('a note that could not be saved stays, says so, and is saved by one press', async ({ page }) => {
    await uploadAndOpen(page, 'noted.csv', hives, 'Before');
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await page.route('**/api/reports/*', (route) => (route.request().method() === 'PUT' ? route.abort() : route.continue()));
    const note = page.getByRole('textbox', { name: /^Words below/ });
    await page.getByRole('button', { name: /^Write below/ }).click();
    await note.fill('Three hives only.');
    await note.blur();
    await expect(page.getByText('Not saved yet.')).toBeVisible();
    await expect(page.getByRole('alert')).toContainText('The server does not answer.');
    await page.reload();
    await expect(note).toHaveText('Three hives only.');
    // Nor is it lost where the page is left while it is on its way.
    await page.unroute('**/api/reports/*');
    await page.route('**/api/reports/*', (route) => (route.request().method() === 'PUT' ? undefined : route.continue()));
    const sent = page.waitForRequest((request) => request.method() === 'PUT' && request.url().includes('/api/reports/'));
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await sent;
    await expect(page.getByText('Not saved yet.')).toHaveCount(0);
    await page.reload();
    await expect(note).toHaveText('Three hives only.');
    await page.unroute('**/api/reports/*');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('Not saved yet.')).toHaveCount(0);
    await page.reload();
    await expect(note).toHaveText('Three hives only.');
});

test('fields of a variable stay typed until they are saved, a missing mark in a field of its own', async ({ page }) => {
    await openRows(page, 'fields.csv');
    await page.getByRole('button', { name: 'Before', exact: true }).first().click();
    const panel = page.getByRole('region', { name: 'Variable', exact: true });
    await panel.getByLabel('Unit').fill('kg');
    await panel.getByRole('button', { name: 'One more mark' }).click();
    await panel.getByRole('textbox', { name: 'Missing mark 1' }).fill('no  scale');
    await page.getByRole('link', { name: 'Profile' }).click();
    await page.goBack();
    await expect(panel.getByLabel('Unit')).toHaveValue('kg');
    await panel.getByRole('button', { name: 'Save' }).click();
    await expect(panel.getByText('Not saved yet.')).toHaveCount(0);
    await page.reload();
    await expect(panel.getByRole('textbox', { name: 'Missing mark 1' })).toHaveValue('no  scale');
});

test('a formula and what becomes of labels stay typed while the panel is closed', async ({ page }) => {
    await bringIn(page, 'making.csv', 'Tag,Site,Before\nA1,Mill,10\nA2,Oak,8\nA3,Mill,3\n');
    await page.getByRole('link', { name: 'Open its rows' }).click();
    const panel = page.getByRole('button', { name: 'Make a variable' });
    await panel.click();
    await choose(page, /^Make:/, 'a formula');
    await page.getByRole('textbox', { name: 'Formula' }).fill('Before * 2');
    await page.getByLabel('Name', { exact: true }).fill('Twice');
    await panel.click();
    await page.reload();
    await panel.click();
    await expect(page.getByRole('textbox', { name: 'Formula' })).toHaveValue('Before * 2');
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Twice');
    await choose(page, /^Make:/, 'fewer categories');
    await page.getByLabel('Oak becomes').fill('Mill');
    await page.getByRole('link', { name: 'Profile' }).click();
    await page.getByRole('link', { name: 'Rows', exact: true }).click();
    await panel.click();
    await expect(page.getByLabel('Oak becomes')).toHaveValue('Mill');
    // Made, it is typed no longer.
    await choose(page, /^Make:/, 'a formula');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('columnheader', { name: /Twice/ })).toBeVisible();
    await expect(page.getByRole('textbox', { name: 'Formula' })).toHaveValue('');
});

test('a change that takes long says how far it is, and is stopped or made', async ({ page }) => {
    const rows = Array.from({ length: 12_000 }, (_, i) => `T${i},${i % 90}\n`).join('');
    await bringIn(page, 'long.csv', `Tag,Kg\n${rows}`);
    await page.getByRole('link', { name: 'Open its rows' }).click();
    await page.getByRole('button', { name: 'Make a variable' }).click();
    await choose(page, /^Make:/, 'a formula');
    await page.getByRole('textbox', { name: 'Formula' }).fill(Array(290).fill('Kg').join(' + '));
    await page.getByLabel('Name', { exact: true }).fill('Many');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText('Making “Many”')).toBeVisible();
    await page.getByRole('button', { name: 'Stop it' }).click();
    await expect(page.getByText('It was stopped; nothing was changed.')).toBeVisible();
    await page.getByRole('button', { name: 'Go back' }).click();
    await expect(page.getByRole('textbox', { name: 'Formula' })).toHaveValue(/^Kg \+ Kg/);
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('columnheader', { name: /Many/ })).toBeVisible({ timeout: 60_000 });
    await expect(page.locator('[data-row="1"] [data-key="many"]')).toHaveText('290');
});

test('what failed is asked for again by one press: a picture, the figures, a dataset begun empty', async ({ page }) => {
    await uploadAndOpen(page, 'again.csv', hives, 'Before');
    await page.route('**/plots/dots*', (route) => route.fulfill({ status: 500, json: { message: 'It broke.' } }));
    await page.getByRole('button', { name: 'Dot plot' }).click();
    const dots = page.getByRole('region', { name: 'Dot plot' });
    await expect(dots.getByRole('alert')).toContainText('It broke.');
    await page.unroute('**/plots/dots*');
    await dots.getByRole('button', { name: 'Try again' }).click();
    await expect(dots.locator('svg').first()).toBeVisible();

    // The first answer comes with the page; another basis is asked for.
    await page.route('**/api/datasets/*/profile*', (route) => route.fulfill({ status: 500, json: { message: 'It broke.' } }));
    await choose(page, /^Taken as/, 'population');
    await expect(page.getByRole('alert')).toContainText('It broke.');
    await page.unroute('**/api/datasets/*/profile*');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect.poll(() => figures(page, 'n')).toEqual(['3']);

    await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    await page.route('**/api/datasets', (route) => (route.request().method() === 'POST' ? route.abort() : route.continue()));
    await page.getByRole('button', { name: /empty one/ }).click();
    await expect(unanswered(page)).toBeVisible();
    await page.unroute('**/api/datasets');
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByRole('grid', { name: 'Rows' })).toBeVisible();
});

test('what is kept in the same moment goes into one report, the first of a dataset', async ({ page }) => {
    await uploadAndOpen(page, 'kept at once.csv', hives, 'Before');
    const places = page.getByRole('button', { name: KEEP });
    const answers: Promise<unknown>[] = [];
    page.on('response', (response) => {
        if (response.url().endsWith('/kept')) {
            answers.push(response.json());
        }
    });
    // All in one moment, and none waits for another's answer.
    await expect(places.nth(2)).toBeVisible();
    await places.evaluateAll((found) => found.slice(0, 3).forEach((button) => (button as HTMLButtonElement).click()));
    await expect.poll(() => answers.length).toBe(3);
    const reports = (await Promise.all(answers)) as { report: number; block: string }[];
    expect(new Set(reports.map(({ report }) => report)).size).toBe(1);
    expect(new Set(reports.map(({ block }) => block)).size).toBe(3);
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(page.getByRole('article')).toHaveCount(3);
});

test('two quick presses move an item twice', async ({ page }) => {
    await uploadAndOpen(page, 'order.csv', hives, 'Before');
    for (let i = 0; i < 3; i++) {
        await page.getByRole('button', { name: KEEP }).nth(i).click();
        await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    }
    await page.getByRole('link', { name: 'Report' }).click();
    const titles = page.getByRole('article').getByRole('textbox', { name: /^Title of/ });
    await expect(titles).toHaveCount(3);
    const first = await titles.first().inputValue();
    let saved = 0;
    page.on('response', (response) => (saved += response.request().method() === 'PUT' && response.ok() ? 1 : 0));
    const held: (() => void)[] = [];
    await page.route('**/api/reports/*', async (route) => {
        if (route.request().method() === 'PUT') {
            await new Promise<void>((resolve) => held.push(resolve));
        }
        await route.continue();
    });
    // The same handle keeps the focus, wherever its item is by then.
    await page.getByRole('article').first().getByRole('button', { name: /^Move/ }).focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(titles.nth(2)).toHaveValue(first);
    // Not back by one where the first move is answered and the second is on its way.
    await expect.poll(() => held.length).toBe(1);
    held.pop()?.();
    await expect.poll(() => held.length).toBe(1);
    await expect(titles.nth(2)).toHaveValue(first, { timeout: 1 });
    held.pop()?.();
    await expect.poll(() => saved).toBe(2);
    await page.reload();
    await expect(titles.nth(2)).toHaveValue(first);
});

test('what breaks in one place says so there, and the others stay open', async ({ page }) => {
    await uploadAndOpen(page, 'broken.csv', hives);
    await page.route('**/overview*', (route) => route.fulfill({ json: { figures: 7 } }));
    await choose(page, /^Taken as/, 'population');
    await expect(page.getByRole('alert')).toContainText('This place could not be drawn');
    await expect(page.getByRole('link', { name: 'All datasets' })).toBeVisible();
    await page.unroute('**/overview*');
    await page.getByRole('link', { name: 'All datasets' }).click();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
});

test('bringing in, discarding, renaming and deleting can be asked for again', async ({ page }) => {
    const away = async (place: string, press: () => Promise<void>) => {
        await page.route(place, (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()));
        await press();
        await expect(unanswered(page)).toBeVisible();
        await page.unroute(place);
        await unanswered(page).getByRole('button', { name: 'Try again' }).click();
        await expect(unanswered(page)).toHaveCount(0);
    };
    await upload(page, 'unwanted again.csv', hives);
    // In the list of datasets others may wait, and can be discarded too.
    await expect(page.getByRole('button', { name: 'Bring in the rows' })).toBeVisible();
    await away('**/cancel', () => page.getByRole('button', { name: 'Discard' }).click());
    await expect(page.getByText('Cancelled; nothing was kept of it.')).toBeVisible();

    await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    await upload(page, 'wanted again.csv', hives);
    await away('**/begin', () => page.getByRole('button', { name: 'Bring in the rows' }).click());
    await page.getByRole('link', { name: 'Open its rows' }).click();

    await away('**/api/datasets/*', async () => {
        await page.getByRole('button', { name: 'wanted again', exact: true }).click();
        await page.getByRole('textbox', { name: 'Title' }).fill('Renamed hives');
        await page.keyboard.press('Enter');
        await expect(page.getByText('not saved yet')).toBeVisible();
    });
    await expect(page.getByText('not saved yet')).toHaveCount(0);
    await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    await expect(page.getByRole('link', { name: 'Renamed hives' })).toBeVisible();
    await away('**/api/datasets/*', async () => {
        await page.getByRole('button', { name: 'Delete Renamed hives' }).click();
        await page.getByRole('button', { name: 'Delete it' }).click();
    });
    await expect(page.getByRole('link', { name: 'Renamed hives' })).toHaveCount(0);
});
