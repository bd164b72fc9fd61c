import { createHmac } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';

/** The code of a key at a moment, as an application on a telephone works it out (RFC 6238). */
function codeOf(secret: string, time: number): string {
    const bits = Array.from(secret, (sign) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(sign).toString(2).padStart(5, '0')).join('');
    const key = Buffer.from(bits.match(/.{8}/g)?.map((byte) => parseInt(byte, 2)) ?? []);
    const step = Buffer.alloc(8);
    step.writeBigUInt64BE(BigInt(Math.floor(time / 30)));
    const hash = createHmac('sha1', key).update(step).digest();
    const offset = (hash[19] ?? 0) & 15;
    return String((hash.readUInt32BE(offset) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

async function signIn(page: Page, email: string, password: string): Promise<void> {
    await page.goto('/sign-in');
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
}

test('an account is made, cannot sign in before its letter is read, and a wrong link says so', async ({ page }) => {
    const email = `ida-${Date.now()}@example.org`;
    await page.goto('/sign-in');
    await page.getByRole('link', { name: 'Make an account' }).click();
    await page.getByLabel('What you are called').fill('Ida');
    await page.getByLabel('E-mail').fill(email);
    await page.getByLabel(/^Password/).fill('nectar-flow');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('status')).toContainText('Look into your mail');
    await page.getByRole('link', { name: 'Sign in instead' }).click();
    await signIn(page, email, 'nectar-flow');
    await expect(page.getByRole('alert')).toContainText('not confirmed yet');
    await page.goto('/confirm#made-up');
    await expect(page.getByRole('alert')).toContainText('not a good one');
    await page.getByRole('link', { name: 'Sign in' }).click();
    await page.getByRole('link', { name: 'The password is forgotten' }).click();
    await page.getByLabel('E-mail of the account').fill(email);
    await page.getByRole('button', { name: 'Send a letter' }).click();
    await expect(page.getByRole('status')).toContainText('If that address has an account');
    await page.goto('/new-password#made-up');
    await page.getByLabel(/^New password/).fill('quite-another');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByRole('alert')).toContainText('Ask for another letter');
});

test('one-time codes, a new password, sessions, all data, and the end of an account', async ({ page, browser }) => {
    const email = `account-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`;
    await signIn(page, email, 'browser-tests');
    await page.getByRole('link', { name: 'Account tests' }).click();
    await expect(page.getByText(email)).toBeVisible();

    // A second place, which is seen and ended.
    const elsewhere = await browser.newContext();
    const other = await elsewhere.newPage();
    await signIn(other, email, 'browser-tests');
    await expect(other.getByRole('heading', { name: 'Datasets' })).toBeVisible();
    await page.reload();
    await page
        .getByRole('button', { name: /^End it/ })
        .first()
        .click();
    await expect(page.getByRole('button', { name: /^End it/ })).toHaveCount(0);
    await other.reload();
    await expect(other.getByLabel('E-mail')).toBeVisible();

    const codes = page.getByRole('region', { name: 'One-time codes' });
    await codes.getByLabel(/^Your password/).fill('wrong');
    await codes.getByRole('button', { name: 'Begin' }).click();
    await expect(codes.getByRole('alert')).toContainText('not the password');
    await codes.getByLabel(/^Your password/).fill('browser-tests');
    await codes.getByRole('button', { name: 'Begin' }).click();
    await expect(codes.getByRole('img')).toBeVisible();
    const secret = ((await codes.getByText(/^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$/).textContent()) ?? '').replaceAll(' ', '');
    await codes.getByLabel('Code', { exact: true }).fill(codeOf(secret, Date.now() / 1000));
    await codes.getByRole('button', { name: 'Ask for codes from now on' }).click();
    await expect(codes.getByRole('listitem')).toHaveCount(10);
    const recovery = (await codes.getByRole('listitem').first().textContent()) ?? '';

    await page.getByRole('button', { name: 'Sign out' }).click();
    await signIn(page, email, 'browser-tests');
    await expect(page.getByRole('alert')).toContainText('Type the code');
    await page.getByLabel('Code').fill('000000');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText('not a code of this account');
    await page.getByLabel('Code').fill(recovery);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();

    await page.goto('/account');
    await expect(codes).toContainText('9 recovery codes are left');
    const out = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Take all of it out' }).click();
    expect((await readFile(await (await out).path())).subarray(0, 2).toString()).toBe('PK');
    await page.getByLabel('Password until now').fill('browser-tests');
    await page.getByLabel(/^New password/).fill('quite-another');
    await page.getByRole('button', { name: 'Change it' }).click();
    await expect(page.getByRole('status')).toContainText('It is changed');

    await page.getByRole('button', { name: 'Delete this account' }).click();
    await page.getByLabel('Your password, to delete the account').fill('quite-another');
    await page.getByRole('button', { name: 'Delete the account' }).click();
    await expect(page.getByLabel('E-mail')).toBeVisible();
    await signIn(page, email, 'quite-another');
    await expect(page.getByRole('alert')).toContainText('No account has this e-mail address');
    await elsewhere.close();
});
