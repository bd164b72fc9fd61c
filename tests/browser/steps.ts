import { type Cookie, expect, type Page } from '@playwright/test';

/** What keeps a picture or a table for the report. */
export const KEEP = /^Keep the (picture|table) of/;

export const demo = { email: 'demo@rowtally.example', password: 'fenmoor' };

/** Each of the browsers that run side by side has an account of its own: what is chosen is remembered by the account. */
const own = { email: `browser-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`, password: 'browser-tests' };

/** The session of the first test that signed in; the others go on with it, which takes no form and no password to be hashed. */
let session: Cookie[] = [];

export async function signInTo(page: Page, account: { email: string; password: string }): Promise<void> {
    await page.goto('/datasets');
    await page.getByLabel('E-mail').fill(account.email);
    await page.getByLabel('Password').fill(account.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
}

export async function signIn(page: Page): Promise<void> {
    await page.context().addCookies(session);
    await page.goto('/datasets');
    const form = page.getByLabel('E-mail');
    await expect(page.getByRole('heading', { name: 'Datasets' }).or(form)).toBeVisible();
    if (await form.isVisible()) {
        await signInTo(page, own);
    }
    // Chosen figures are remembered by the account, which all tests share.
    await page.evaluate(async () => {
        const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
        const essentials = ['n', 'missing', 'mean', 'sd', 'variance', 'min', 'q1', 'median', 'q3', 'max', 'range', 'iqr', 'sum'];
        await fetch('/api/figures/chosen', {
            method: 'PUT',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
            body: JSON.stringify({ figures: essentials }),
        });
    });
    session = await page.context().cookies();
}

/** Loads the page anew once it lets go by itself: as long as something is not kept yet it asks, and a person would stay. */
export async function reload(page: Page): Promise<void> {
    await expect
        .poll(() => page.evaluate(() => window.dispatchEvent(new Event('beforeunload', { cancelable: true }))), {
            message: 'everything is kept',
        })
        .toBe(true);
    await page.reload();
}

/** Opens the ways in which a picture leaves the page. */
export async function takeOut(page: Page, of: string | RegExp = /^Take out the picture of/): Promise<void> {
    await page.getByRole('button', { name: of }).first().click();
}

/** Chooses a file made by the test, as a person would with the button. */
export async function upload(page: Page, name: string, content: string | Buffer): Promise<void> {
    await page.getByLabel('File with data').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
}

/** Uploads a file and brings it in as it is recognised. */
export async function bringIn(page: Page, name: string, content: string | Buffer): Promise<void> {
    await upload(page, name, content);
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await expect(page.getByRole('link', { name: 'Open its profile' }).first()).toBeVisible();
}

/** Opens the overview of a new dataset, or the sheet of one of its variables. */
export async function uploadAndOpen(page: Page, name: string, content: string | Buffer, variable?: string): Promise<void> {
    await bringIn(page, name, content);
    await page.getByRole('link', { name: 'Open its profile' }).first().click();
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Overview' })).toBeVisible();
    if (variable !== undefined) {
        await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: variable, exact: true }).click();
        await expect(page.getByRole('heading', { level: 2 })).toHaveText(variable);
    }
}

export async function choose(page: Page, what: RegExp | string, words: string): Promise<void> {
    await page.getByRole('button', { name: what }).click();
    // What the choice does follows its words in the name.
    await page.getByRole('menuitemradio', { name: new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`) }).click();
}

/** The cells of one row of the sheet: overall, then each group. */
export async function figures(page: Page, key: string): Promise<string[]> {
    return page.locator(`td[data-figure="${key}"]`).allInnerTexts();
}
