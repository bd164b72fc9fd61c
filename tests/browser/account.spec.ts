import { expect, test } from '@playwright/test';
import { demo, signInTo } from './steps';

test('a wrong password is said so and the right one opens the address that was asked for', async ({ page }) => {
    await page.goto('/datasets/5/profile?of=temper&as=population');
    await page.getByLabel('E-mail').fill(demo.email);
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toHaveText('No account has this e-mail address with this password.');

    await page.getByLabel('Password').fill(demo.password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page).toHaveURL(/\/datasets\/5\/profile\?of=temper&as=population$/);
    await expect(page.getByRole('heading', { name: 'Temper' })).toBeVisible();
});

test('signing out ends the session', async ({ page }) => {
    await signInTo(page, demo);
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await page.goto('/datasets');
    await expect(page).toHaveURL(/\/sign-in$/);
});

test('the list shows the demo datasets with rows, variables and when they changed', async ({ page }) => {
    await signInTo(page, demo);
    const row = page.getByRole('row', { name: /Spring inspection/ }).first();
    await expect(row).toContainText('236');
    await expect(row).toContainText('12');
    await expect(row).toContainText('today');
});

test('a dataset of nobody is not there', async ({ page }) => {
    await signInTo(page, demo);
    await page.goto('/datasets/999999/profile');
    await expect(page.getByRole('alert')).toContainText('There is nothing here under this address, or it is not yours.');
});
