import { expect, test } from '@playwright/test';
import { bringIn, choose, signIn, reload } from './steps';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('a pasted table of classes comes to mean and standard deviation, counts are not forgotten', async ({ page }) => {
    await page.getByRole('button', { name: 'Paste as text' }).click();
    await page.getByLabel('Rows as text').fill('Combs\tHives\n10-14\t2.5\n15-19\t8.5\n20 and over\t2\n');
    // Three presses from the pasted text to its figures.
    await page.getByRole('button', { name: 'See how it is read' }).click();
    await page.getByRole('button', { name: 'As Hives says' }).click();
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    // By hand: 12 × 2.5 + 17 × 8.5 + 22 × 2 is 218.5, over 13.
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('16.8');
    await expect(page.locator('td[data-grouped="sd"]')).toHaveText('3.1');
    await expect(page.locator('rect[data-class]')).toHaveCount(3);
    await expect(page.locator('g[data-box="estimated"] rect')).toHaveCount(1);
    // 8.5 of 13 hives are 65.4 %, in a class 5 wide.
    await expect(page.getByRole('region', { name: 'Classes', exact: true }).getByRole('row').nth(2)).toHaveText(
        /^15-19.*65\.4\s*84\.6\s*13\.08$/,
    );
    await expect(page.getByText('open, width assumed')).toBeVisible();

    await page.getByLabel('near a stated').fill('14.0');
    await page.getByRole('button', { name: 'Compare', exact: true }).click();
    await expect(page.getByText('16.8 lies above 11.9–16.1: it is 20.1 % more than the stated 14.0, and 15 % was allowed.')).toBeVisible();

    await choose(page, /^Limits are/, 'completed units');
    await expect(page.getByRole('region', { name: 'Classes', exact: true })).toContainText(/10-14\s*10\s*15/);
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('17.3');

    // An open class is changed by hand, and taken back.
    await page.getByRole('button', { name: /^Width of 20 and over/ }).click();
    await page.getByLabel('Width of 20 and over').fill('11');
    await page.keyboard.press('Enter');
    await expect(page.getByText('changed by hand: “20 and over” 11 wide')).toBeVisible();
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('17.8');
    await page.getByRole('button', { name: 'As the labels tell' }).click();
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('17.3');

    await choose(page, /^Counts/, 'no counts');
    await page.getByRole('button', { name: 'No, and do not ask again' }).click();
    await reload(page);
    await expect(page.locator('td[data-grouped="n"]')).toHaveText('3');
    await expect(page.getByRole('button', { name: 'Use it as counts' })).toBeHidden();
});

test('a table brought in as it is recognised is asked about beside its figures, one press uses its counts', async ({ page }) => {
    await bringIn(page, 'queen-cups.csv', 'Cups,Colonies (in thousands)\n0-4,2\n5-9,6\n');
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Cups', exact: true }).click();
    await page.getByRole('button', { name: 'Use it as counts' }).click();
    // By hand: (2 × 2 + 7 × 6) / 8.
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText('5.8');
    await expect(page.getByRole('region', { name: 'Basis of every figure' })).toContainText('counts from Colonies, in thousands');
    await expect(page.getByRole('button', { name: 'Use it as counts' })).toBeHidden();
});

test('a column of counts for each group makes a column of figures for each', async ({ page }) => {
    await bringIn(page, 'two-valleys.csv', 'Frames,North,South\n0-4,3,1\n5-9,1,3\n');
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Frames', exact: true }).click();
    await expect(page.getByText('Which says how often it occurs?')).toBeVisible();
    await page.getByRole('button', { name: /^A column of counts for each group/ }).click();
    await page.getByRole('checkbox', { name: 'North', exact: true }).click();
    await page.getByRole('checkbox', { name: 'South', exact: true }).click();
    await page.keyboard.press('Escape');
    // By hand: 2 and 7 in equal shares, three to one, one to three.
    await expect(page.locator('td[data-grouped="mean"]')).toHaveText(['4.5', '3.3', '5.8']);
    await choose(page, /^Classes shown as/, 'cumulative %');
    await expect(page.getByRole('region', { name: 'Classes', exact: true }).getByRole('row').nth(1)).toHaveText(/50\.0\s*75\.0\s*25\.0$/);

    // A picture that comes late, above an open list, does not push the list out of reach.
    let letGo = () => {};
    const gone = new Promise<void>((resolve) => (letGo = resolve));
    await page.route('**/plots/classes*', async (route) => {
        await gone;
        await route.continue();
    });
    await page.setViewportSize({ width: 1000, height: 700 });
    await reload(page);
    const word = page.getByRole('button', { name: /^Classes shown as/ });
    await word.evaluate((element) => element.scrollIntoView({ block: 'end' }));
    await word.click();
    letGo();
    await expect(page.locator('[aria-label="As classes"] figure svg').first()).toBeVisible();
    await expect(word).toBeInViewport();
    await page.getByRole('menuitemradio', { name: /^counts/ }).click({ timeout: 10_000 });
});

test('a number tallied into classes becomes a dataset of classes with counts', async ({ page }) => {
    await bringIn(page, 'frames-of-brood.csv', `Weight (kg)\n${Array.from({ length: 40 }, (_, i) => 20 + i / 2).join('\n')}\n`);
    await page.getByRole('link', { name: 'Open its profile' }).click();
    await page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Weight', exact: true }).click();
    await page.getByRole('button', { name: 'Make a dataset of it' }).click();
    await page.getByRole('button', { name: 'As Count says' }).click();
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await expect(page.locator('td[data-grouped="n"]')).toHaveText('40');
    await expect(page.getByRole('button', { name: 'Limits are: boundaries' })).toBeVisible();
});
