import { expect, type Page } from '@playwright/test';

export const demo = { email: 'demo@rowtally.example', password: 'fenmoor' };

export async function signIn(page: Page): Promise<void> {
    await page.goto('/');
    await page.getByLabel('E-mail').fill(demo.email);
    await page.getByLabel('Password').fill(demo.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
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

export async function uploadAndOpen(page: Page, name: string, content: string | Buffer): Promise<void> {
    await bringIn(page, name, content);
    await page.getByRole('link', { name: 'Open its profile' }).first().click();
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toBeVisible();
}

export async function choose(page: Page, what: RegExp, words: string): Promise<void> {
    await page.getByRole('button', { name: what }).click();
    // What the choice does follows its words in the name.
    await page.getByRole('menuitemradio', { name: new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`) }).click();
}

/** The cells of one row of the sheet: overall, then each group. */
export async function figures(page: Page, key: string): Promise<string[]> {
    return page.locator(`td[data-figure="${key}"]`).allInnerTexts();
}
