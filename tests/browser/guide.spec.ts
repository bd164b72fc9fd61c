import { expect, test } from '@playwright/test';
import { signIn, signInTo, uploadAndOpen } from './steps';

const hives = 'Tag,Yield (kg),Site\nA,20,n\nB,22,n\nC,30,s\nD,34,s\nE,61,s\n';

test('help is where one is: of a figure, a picture, a sentence and the conventions; and all of it is searched', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'helped.csv', hives, 'Yield');
    const help = page.getByRole('dialog');
    await page
        .getByRole('rowheader', { name: /^Standard deviation/ })
        .getByRole('button')
        .click();
    await page.getByRole('button', { name: /^When to use it, and how it misleads: / }).click();
    await expect(help.getByRole('heading')).toHaveText('Standard deviation s');
    await expect(help).toContainText('Far values count with their square.');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^When to use it, and how it misleads: / })).toBeFocused();
    await page.getByRole('button', { name: 'Close' }).click();

    await page
        .getByRole('button', { name: /^About it: / })
        .first()
        .click();
    await expect(help.getByRole('heading')).toHaveText('Histogram over box plot');
    await page.keyboard.press('Escape');
    await page
        .getByRole('button', { name: /^Why: / })
        .first()
        .click();
    await page
        .getByRole('button', { name: /^How it misleads: / })
        .first()
        .click();
    await expect(help.getByRole('term').filter({ hasText: 'Said when' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^What these mean/ }).click();
    await help.getByText('Rule for quartiles and percentiles').click();
    await expect(help).toContainText('with an odd count the middle value belongs to neither');
    await help.getByRole('link', { name: 'All of the guide' }).click();

    await expect(page).toHaveURL(/\/guide$/);
    await page.getByRole('searchbox', { name: 'Search the guide' }).fill('harmonic');
    await expect(page.getByText('1 page', { exact: true })).toBeVisible();
    await page.getByRole('link', { name: 'Harmonic mean' }).click();
    await expect(page.getByRole('heading', { name: 'Harmonic mean' })).toBeFocused();
    await expect(page.getByRole('article')).toContainText('prices for a fixed sum');
    await page.goto('/guide/no-such-page');
    await expect(page.getByText('There is no such page.')).toBeVisible();
});

test('whoever is here for the first time is led through the work, can leave it, and finds it again', async ({ page }) => {
    const place = process.env.TEST_PARALLEL_INDEX ?? '0';
    await signInTo(page, { email: `guest-${place}@rowtally.example`, password: 'browser-tests' });
    const offer = page.getByRole('region', { name: 'New here' });
    await offer.getByRole('button', { name: 'Not now' }).click();
    await expect(offer).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
    await expect(offer).toHaveCount(0);
    await page.getByRole('link', { name: 'Guide', exact: true }).click();
    await page.getByRole('button', { name: 'Look around' }).click();

    const step = page.getByRole('region', { name: 'Looking around' });
    for (const [i, [title, there]] of (
        [
            ['Make sure of the rows', page.getByRole('grid', { name: 'Rows' })],
            ['See all variables at a glance', page.getByRole('region', { name: 'Overview table' })],
            ['Look at one, by group', page.getByRole('heading', { level: 2, name: 'Honey yield' })],
            ['Put two against each other', page.getByRole('region', { name: 'Comparison table' })],
            ['Say it, and hand it over', page.getByRole('main')],
        ] as const
    ).entries()) {
        await expect(step.getByRole('heading', { name: title })).toBeFocused();
        await expect(there).toBeVisible();
        // A page that is loaded anew is still at this step.
        if (i === 2) {
            await page.reload();
            await expect(step.getByRole('heading', { name: title })).toBeVisible();
        }
        await step.getByRole('button', { name: i === 4 ? 'To my data' : 'Next step' }).click();
    }
    await expect(step).toHaveCount(0);
    await expect(page).toHaveURL(/\/datasets$/);
    await expect(page.getByRole('link', { name: 'Spring inspection' })).toBeVisible();
});
