import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { signIn } from './steps';

test('a token is made, the lines of the page come from a file to a report with it, and revoked it opens nothing', async ({
    page,
    baseURL,
}) => {
    await signIn(page);
    await page.goto('/account');
    await page.getByRole('button', { name: 'What it may do: look and take out (read)' }).click();
    await page.getByRole('checkbox', { name: 'bring in and change (change)' }).click();
    await page.keyboard.press('Escape');
    const name = `The lines ${Date.now()}`;
    await page.getByLabel('What it is for').fill(name);
    await page.getByLabel('Your password, to make a token').fill('wrong-password');
    await page.getByRole('button', { name: 'Make a token' }).click();
    await expect(page.getByRole('alert')).toContainText('not the password');
    await page.getByLabel('Your password, to make a token').fill('browser-tests');
    await page.getByRole('button', { name: 'Make a token' }).click();
    const shown = page.getByText(/^\d+\|rowtally_/);
    await expect(shown).toBeVisible();
    const token = (await shown.textContent()) ?? '';

    await page.getByRole('link', { name: 'What can be asked for, and how' }).click();
    await expect(page.getByRole('heading', { name: 'From a file to a report' })).toBeVisible();
    const lines = (await page.locator('pre').first().textContent()) ?? '';
    const folder = mkdtempSync(join(tmpdir(), 'rowtally-lines-'));
    const run = (script: string) =>
        execFileSync('bash', ['-c', script, '-', folder], {
            encoding: 'utf8',
            timeout: 100_000,
            env: { ...process.env, ROWTALLY: baseURL ?? '', ROWTALLY_TOKEN: token },
        });
    run(lines.replace('-o report.pdf', '-o "$1/report.pdf"'));
    expect(readFileSync(join(folder, 'report.pdf')).subarray(0, 5).toString()).toBe('%PDF-');
    rmSync(folder, { recursive: true });

    // A call by its address, with its line and its shapes.
    await page.goto('/api/docs#showProfile');
    const call = page.locator('#showProfile');
    await expect(call.getByText("api datasets/$dataset/profile -G --data-urlencode 'of=honey-yield'")).toBeVisible();
    await call.getByRole('link', { name: 'Question' }).click();
    await expect(page.getByRole('heading', { name: 'Question', exact: true })).toBeInViewport();

    await page.goto('/account');
    await page.getByRole('button', { name: `Revoke it: ${name}` }).click();
    await expect(page.getByRole('button', { name: `Revoke it: ${name}` })).toHaveCount(0);
    expect(run('curl -sS -H "Authorization: Bearer $ROWTALLY_TOKEN" "$ROWTALLY/api/datasets"')).toContain('was revoked');
});
