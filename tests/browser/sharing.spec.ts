import { type Browser, expect, type Page, test } from '@playwright/test';
import { choose, figures, KEEP, signIn, signInTo, uploadAndOpen } from './steps';

const hives = 'Hive,Honey\nN1,20\nN2,22\nS1,30\n';

/** Offers what *Share* is open for, and signs in whom it is offered to. */
async function offered(page: Page, browser: Browser, email: string): Promise<Page> {
    await page.getByLabel(/^E-mail of somebody/).fill(email);
    await page.getByRole('button', { name: 'Offer it' }).click();
    await expect(page.getByText('has not taken it yet')).toBeVisible();
    await page.keyboard.press('Escape');
    const theirs = await browser.newPage();
    await signInTo(theirs, { email, password: 'browser-tests' });
    return theirs;
}

test('a dataset is shared: offered, taken, read, then changed, seen by the other in seconds, handed over and left', async ({
    page,
    browser,
}) => {
    const email = `guest-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`;
    await signIn(page);
    await uploadAndOpen(page, 'shared.csv', hives, 'Honey');
    await expect.poll(() => figures(page, 'mean')).toEqual(['24.0']);
    const address = page.url();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    const theirs = await offered(page, browser, email);
    await theirs.getByRole('button', { name: 'Take it: shared' }).first().click();
    await expect(theirs.getByText('You may read it', { exact: true })).toBeVisible();
    await theirs.goto(address);
    await expect.poll(() => figures(theirs, 'mean')).toEqual(['24.0']);
    // A reader is told why nothing changes.
    await theirs.getByRole('link', { name: 'Rows', exact: true }).click();
    await theirs.getByRole('grid').focus();
    await theirs.keyboard.press('ArrowRight');
    await theirs.keyboard.type('90');
    await theirs.keyboard.press('Enter');
    await expect(theirs.getByText('You may read this dataset and not change it.').first()).toBeVisible();
    // What would change something is not offered.
    await theirs.goto(address);
    await expect.poll(() => figures(theirs, 'mean')).toEqual(['24.0']);
    await expect(theirs.getByRole('button', { name: KEEP })).toHaveCount(0);
    await theirs.getByRole('link', { name: 'Report', exact: true }).click();
    await expect(theirs.getByText('There is no report of it yet.')).toBeVisible();
    await theirs.getByRole('link', { name: 'Rows', exact: true }).click();
    await expect(theirs.getByRole('button', { name: 'Make a variable' })).toHaveCount(0);
    await theirs.getByRole('button', { name: 'Variable', exact: true }).click();
    await expect(theirs.getByText('nothing here can be changed by you')).toBeVisible();

    await page.reload();
    await expect(page.getByText(/^Guest \d is in Rows$/)).toBeVisible();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await choose(page, /^What Guest \d may do/, 'change');
    await expect(page.getByRole('button', { name: /^What Guest \d may do/ })).toHaveText('change');
    await page.keyboard.press('Escape');

    await theirs.reload();
    await theirs.getByRole('grid').focus();
    await theirs.keyboard.press('ArrowRight');
    await theirs.keyboard.type('90');
    await theirs.keyboard.press('Enter');
    // By hand: (90 + 22 + 30) / 3; without a step of the other's.
    await expect.poll(() => figures(page, 'mean')).toEqual(['47.3']);

    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await page.getByRole('button', { name: /^Hand it over to Guest/ }).click();
    await page.getByRole('button', { name: 'Hand it over', exact: true }).last().click();
    await expect(page.getByRole('button', { name: 'Leave it: shared' })).toBeVisible();
    await page.getByRole('button', { name: 'Leave it: shared' }).click();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
    await page.goto(address);
    await expect(page.getByRole('alert').first()).toBeVisible();
    await theirs.close();
});

test('a report is shared by itself: its reader sees it and nothing else, follows it, and leaves it', async ({ page, browser }) => {
    const email = `guest-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`;
    await signIn(page);
    await uploadAndOpen(page, 'told.csv', hives, 'Honey');
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    await page.getByRole('link', { name: 'Report', exact: true }).click();
    const title = `Honey told ${Date.now()}`;
    await page.getByLabel('Title of the report').fill(title);
    await page.getByLabel('Title of the report').blur();
    await expect(page.getByRole('button', { name: `Report: ${title}` })).toBeVisible();
    await page.getByRole('button', { name: 'Share this report' }).click();
    const theirs = await offered(page, browser, email);
    await theirs.getByRole('button', { name: `Take it: ${title}` }).click();
    await expect(theirs.getByRole('heading', { level: 2, name: title })).toBeVisible();
    await expect(theirs.getByText('told · 3 rows × 2 variables')).toBeVisible();
    await expect(theirs.getByRole('article').first()).toContainText('24.0');
    await expect(theirs.getByRole('link', { name: 'Rows', exact: true })).toHaveCount(0);
    await expect(theirs.getByRole('button', { name: 'Hand over' })).toHaveCount(0);
    // What the other writes is there within seconds.
    await page.getByRole('button', { name: 'Heading', exact: true }).click();
    await expect(theirs.getByRole('heading', { level: 3, name: 'Heading' })).toBeVisible();
    await theirs.getByRole('link', { name: 'Row Tally: all datasets' }).click();
    await theirs.getByRole('link', { name: title }).click();
    await theirs.getByRole('button', { name: 'Leave it' }).click();
    await expect(theirs.getByRole('heading', { name: 'Datasets' })).toBeVisible();
    await expect(theirs.getByRole('link', { name: title })).toHaveCount(0);
    await theirs.close();
});

test('a team owns a dataset: somebody is asked in, takes it, changes what is the team’s, and the last keeper stays', async ({
    page,
    browser,
}) => {
    const email = `guest-${process.env.TEST_PARALLEL_INDEX ?? 0}@rowtally.example`;
    const name = `Survey ${Date.now()}`;
    await signIn(page);
    await uploadAndOpen(page, 'given.csv', hives, 'Honey');
    const address = page.url();
    await page.goto('/datasets');
    await page.getByRole('link', { name: 'Teams' }).click();
    await page.getByLabel('A new team, called').fill(name);
    await page.getByRole('button', { name: 'Make it' }).click();
    const team = page.getByRole('region', { name });
    await team.getByLabel(/^E-mail of somebody/).fill(email);
    await team.getByRole('button', { name: 'Ask them in' }).click();
    await expect(team.getByText('has not taken it yet')).toBeVisible();
    await page.goto(address);
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await choose(page, /^Whose it is/, `the team ${name}’s`);
    await expect(page.getByRole('button', { name: /^Whose it is/ })).toHaveText(`the team ${name}’s`);

    const theirs = await browser.newPage();
    await signInTo(theirs, { email, password: 'browser-tests' });
    await theirs.getByRole('button', { name: `Take it: ${name}` }).click();
    await expect(theirs.getByRole('region', { name }).getByText('1 dataset')).toBeVisible();
    await theirs.goto(address.replace(/\/profile.*/, '/rows'));
    await theirs.getByRole('grid').focus();
    await theirs.keyboard.press('ArrowRight');
    await theirs.keyboard.type('90');
    await theirs.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    await expect.poll(() => figures(page, 'mean')).toEqual(['47.3']);

    await page.goto('/teams');
    await team.getByRole('button', { name: `Leave it: ${name}` }).click();
    await expect(team.getByRole('alert')).toContainText('Nobody else keeps this team');
    await choose(page, /^What Guest \d may do/, 'keep it');
    await expect(team.getByRole('button', { name: /^What Guest \d may do/ })).toHaveText('keep it');
    await team.getByRole('button', { name: `Leave it: ${name}` }).click();
    await expect(page.getByRole('region', { name })).toHaveCount(0);
    await page.goto(address);
    await expect(page.getByRole('alert').first()).toBeVisible();
    await theirs.close();
});
