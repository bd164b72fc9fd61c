import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { choose, figures, signIn, upload, uploadAndOpen } from './steps';

const sites = ['north', 'south', 'west', 'east', 'mill', 'ford', 'moor', 'heath'];
const rows = Array.from(
    { length: 48 },
    (_, i) => `H${i + 1},${sites[i % 8] ?? ''},${i % 2 === 0 ? 'calm' : 'keen'},${10 + ((i * 7) % 23)},${12 + ((i * 5) % 19)}`,
);
const file = `Tag,Site,Temper,Before (kg),After (kg)\n${rows.join('\n')}\nH49,west,calm,n/a?,14\nH50,west,keen,95,15\n`;

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** No finding of the checker, by WCAG 2.2 AA and good practice, in what is on screen; in the dark look its contrast once more. */
async function isAccessible(page: Page, state: string): Promise<void> {
    for (const colorScheme of ['light', 'dark'] as const) {
        await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
        const axe = new AxeBuilder({ page }).setLegacyMode();
        const { violations } = await (colorScheme === 'light' ? axe.withTags(RULES) : axe.withRules(['color-contrast'])).analyze();
        const found = violations.map(({ id, nodes }) => ({ id, where: nodes.slice(0, 3).map(({ html }) => html.slice(0, 240)) }));
        expect.soft(found, `${state}, ${colorScheme}`).toEqual([]);
    }
    await page.emulateMedia({ colorScheme: 'light' });
}

test('before one is signed in', async ({ page }) => {
    for (const [path, there] of [
        ['/sign-in', 'Sign in'],
        ['/register', 'Make an account'],
        ['/forgot', 'Send it'],
        ['/api/docs', ''],
    ] as const) {
        await page.goto(path);
        await expect(there === '' ? page.getByRole('heading').nth(3) : page.getByRole('main').getByRole('button').first()).toBeVisible();
        await isAccessible(page, path);
    }
});

test('datasets, account, teams, checking, bringing in', async ({ page }) => {
    await signIn(page);
    for (const path of ['/datasets', '/account', '/teams', '/check', '/guide', '/guide/skewness']) {
        await page.goto(path);
        await expect(page.getByRole('main')).toBeVisible();
        await page.waitForLoadState('networkidle');
        await isAccessible(page, path);
    }
    await page.goto('/datasets');
    await upload(page, 'looked at.csv', file);
    await expect(page.getByRole('button', { name: 'Bring in the rows' })).toBeVisible();
    await isAccessible(page, 'bringing in');
    await page.getByRole('button', { name: 'Bring in the rows' }).click();
    await page.getByRole('link', { name: 'Open its rows' }).click();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await expect(page.getByLabel(/^E-mail of somebody/)).toBeVisible();
    await isAccessible(page, 'sharing');
});

test('rows, their panels, and a cell that is typed in', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'rows looked at.csv', file);
    const address = page.url().replace(/profile.*/, 'rows');
    for (const [words, there] of [
        ['', 'Rows'],
        ['?panel=variable&variable=site', 'Variable'],
        ['?panel=variable&variable=before', 'Variable'],
        ['?panel=make', 'Make a variable'],
        ['?panel=check', 'Entry check'],
        ['?panel=changes', 'Changes'],
        ['?panel=out', 'Take out'],
    ] as const) {
        await page.goto(address + words);
        await expect(page.locator('[data-row="1"] [data-key="before"]')).toHaveText('17');
        await expect(words === '' ? page.getByRole('grid') : page.getByRole('region', { name: there, exact: true })).toBeVisible();
        await isAccessible(page, `rows ${words}`);
    }
    await page.goto(`${address}?sort=before:down`);
    await expect(page.locator('[data-row="0"] [data-key="before"]')).toHaveText('95');
    await page.getByRole('grid').focus();
    await page.keyboard.press('F2');
    await isAccessible(page, 'a cell that is typed in');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Ordered/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    await isAccessible(page, 'the order of the rows');
});

test('the profile with its pictures', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'profile looked at.csv', file);
    await isAccessible(page, 'all variables at a glance');
    const address = page.url().split('?')[0] ?? '';
    for (const words of ['of=before&by=site&plots=boxes,stems,dots,strips', 'of=before&plots=qq,steps,slopes', 'of=site&by=temper']) {
        await page.goto(`${address}?${words}`);
        await expect(page.locator('figure svg[role="img"]').first()).toBeVisible();
        await page.waitForLoadState('networkidle');
        await isAccessible(page, words);
    }
});

test('the profile with its basis, its working, and the pages about them', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'profile of one.csv', file, 'Before');
    await page.getByRole('button', { name: /^Quartiles by/ }).click();
    await expect(page.getByRole('menu')).toBeVisible();
    await isAccessible(page, 'ways of quartiles');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^Confidence level/ }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await isAccessible(page, 'the level');
    await page.keyboard.press('Escape');
    await page
        .getByRole('button', { name: /^Take out the picture/ })
        .first()
        .click();
    await expect(page.getByRole('button', { name: 'Save as PNG' })).toBeVisible();
    await isAccessible(page, 'taking a picture out');
    await page.keyboard.press('Escape');
    await page.keyboard.press('#');
    await expect(page.getByRole('complementary', { name: 'Working' }).getByRole('heading').first()).toBeVisible();
    await isAccessible(page, 'the working');
    await page.getByRole('button', { name: /^When to use it/ }).click();
    await expect(page.getByRole('dialog').getByRole('heading')).toHaveText('Mean x̄');
    await isAccessible(page, 'the page about a figure');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /^What these mean/ }).click();
    await expect(page.getByRole('dialog').getByText('Sample or population')).toBeVisible();
    await isAccessible(page, 'the pages about the conventions');
    await page.keyboard.press('Escape');
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await isAccessible(page, 'the keys');
});

test('comparing, and a report that is written and handed over', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'report looked at.csv', file);
    const address = page.url().replace(/profile.*/, '');
    await page.goto(`${address}compare`);
    await expect(page.getByRole('region', { name: 'Comparison table' })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await isAccessible(page, 'comparing');
    await page.goto(`${address}report`);
    await expect(page.getByRole('button', { name: 'Fill the report' })).toBeVisible();
    await isAccessible(page, 'beginning a report');
    await page.getByRole('button', { name: 'Fill the report' }).click();
    await expect(page.getByRole('article').nth(2)).toBeVisible();
    await page.waitForLoadState('networkidle');
    await isAccessible(page, 'the report');
    for (const name of ['Add from the data', 'Again with other rows', 'Hand it over', 'Share this report']) {
        await page.getByRole('button', { name, exact: true }).click();
        await expect(page.getByRole('dialog')).toBeVisible();
        await isAccessible(page, name);
        await page.keyboard.press('Escape');
    }
});

/** How many stops of Tab there are from the top of the page until one fits. */
async function stopsTo(page: Page, selector: string): Promise<number> {
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    for (let stops = 1; stops <= 60; ++stops) {
        await page.keyboard.press('Tab');
        if (await page.evaluate((wanted) => document.activeElement?.matches(wanted) === true, selector)) {
            return stops;
        }
    }
    return Infinity;
}

test('few stops of Tab lead to the first picture of eight groups; tables are one each, with arrow keys inside', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'stops.csv', file, 'Before');
    await choose(page, /^Split by/, 'Site');
    await expect(page.locator('[data-lane]')).toHaveCount(9);
    await page.reload();
    await expect(page.locator('[data-lane]')).toHaveCount(9);
    expect(await stopsTo(page, 'figure svg[role="img"]')).toBeLessThanOrEqual(25);
    // Inside the table of figures.
    const mean = page.getByRole('region', { name: 'Figures' }).getByRole('rowheader', { name: /^Mean/ }).getByRole('button');
    await mean.focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.locator('td[data-figure="mean"]').first().getByRole('button').first()).toBeFocused();
    await page.keyboard.press('ArrowDown');
    await expect(page.locator('td[data-figure="sd"]').first().getByRole('button').first()).toBeFocused();
    await page.keyboard.press('Home');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Shift+Tab');
    await expect(page.getByRole('region', { name: 'Figures' }).getByRole('rowheader').first().getByRole('button')).toBeFocused();
    // The first stop of all leads past the bars.
    await page.reload();
    await expect(page.getByRole('main')).toBeVisible();
    await page.keyboard.press('Tab');
    await expect(page.getByRole('button', { name: 'Go to what is shown' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('main')).toBeFocused();
});

test('single keys lead through the profile, are listed, and can be switched off', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'keys.csv', file, 'Before');
    await page.keyboard.press(']');
    await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('After');
    await expect(page.locator('[data-told]')).toContainText('After, not split.');
    await page.keyboard.press('[');
    await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('Before');
    await page.keyboard.press('/');
    await expect(page.getByRole('searchbox', { name: 'Find a variable' })).toBeFocused();
    await page.keyboard.press('Tab');
    await page.keyboard.press(';');
    await expect(page.locator('[role="menu"]:focus-within')).toBeVisible();
    // Where the focus is in a menu that has just opened depends on how quickly it did: down until it is where it is to be.
    await expect(async () => {
        await page.keyboard.press('ArrowDown');
        await expect(page.locator('[role="menu"] :focus')).toHaveText(/Site/, { timeout: 300 });
    }).toPass();
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await figures(page, 'n')).length).toBe(9);
    await expect(page.locator('[data-told]')).toContainText('split by Site');
    await expect(page.getByRole('button', { name: /^Split by/ })).toBeFocused();
    await page.keyboard.press('+');
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();
    await page.keyboard.press('#');
    const working = page.getByRole('complementary', { name: 'Working' });
    await expect(working).toContainText('Mean');
    await working.getByRole('button', { name: 'Close' }).press('Enter');
    await expect(working).toHaveCount(0);
    // The focus is where it came from, not lost.
    await expect(page.getByRole('rowheader', { name: /^Mean/ }).getByRole('button')).toBeFocused();
    await page.keyboard.press('?');
    const keys = page.getByRole('dialog', { name: 'Keys' });
    await expect(keys).toContainText('Next variable');
    await keys.getByRole('checkbox').uncheck();
    await page.keyboard.press('Escape');
    await page.keyboard.press(']');
    await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('Before');
    await page.evaluate(() => localStorage.clear());
    await page.keyboard.press('%');
    await expect(page).toHaveURL(/\/compare/);
    await expect(page.getByRole('main')).toBeFocused();
});

test('the grid says where one is: heads, places, order, what could not be read; the heads are reached by keys', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'grid.csv', file);
    await page.goto(page.url().replace(/profile.*/, 'rows?sort=before'));
    const grid = page.getByRole('grid', { name: 'Rows' });
    const at = async () => {
        const id = (await grid.getAttribute('aria-activedescendant')) ?? '';
        return page.locator(`[id="${id}"]`);
    };
    await expect(page.locator('[data-row="0"] [data-key="before"]')).toHaveText('10');
    await expect(grid).toHaveAttribute('aria-rowcount', '51');
    await expect(grid).toHaveAttribute('aria-colcount', '6');
    await grid.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await expect(await at()).toHaveAttribute('aria-colindex', '5');
    await expect(await at()).toHaveText('10');
    await page.keyboard.press('Control+ArrowUp');
    await expect(await at()).toHaveRole('columnheader');
    await expect(await at()).toHaveAttribute('aria-sort', 'ascending');
    await page.keyboard.press('Enter');
    const panel = page.getByRole('region', { name: 'Variable', exact: true });
    await expect(panel).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(grid).toBeFocused();
    await page.goto(page.url().replace(/rows.*/, 'rows'));
    await expect(page.locator('[data-row="0"] [data-key="before"]')).toHaveText('10');
    await grid.focus();
    await page.keyboard.press('Control+End');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('End');
    await page.keyboard.press('ArrowLeft');
    await expect(page.getByRole('row', { selected: true })).toHaveCount(0);
    await expect(page.locator('[aria-invalid="true"]').first()).toHaveAttribute('title', /Could not be read/);
});

/** Tables wider than their room whose first column goes out of sight when the others are looked at. */
function firstColumnsThatLeave(): string[] {
    return [...document.querySelectorAll('main table')].flatMap((table) => {
        let room: Element | null = table.parentElement;
        while (
            room !== null &&
            !(['auto', 'scroll'].includes(getComputedStyle(room).overflowX) && room.scrollWidth > room.clientWidth + 1)
        ) {
            room = room.parentElement;
        }
        const cell = table.querySelector('tbody tr:last-child > :first-child');
        if (room === null || cell === null) {
            return [];
        }
        const before = cell.getBoundingClientRect().left;
        room.scrollLeft = 40;
        const after = cell.getBoundingClientRect().left;
        room.scrollLeft = 0;
        return Math.abs(after - before) < 41 && after >= room.getBoundingClientRect().left - 1 ? [] : [table.outerHTML.slice(0, 160)];
    });
}

for (const [width, height] of [
    [320, 640],
    [640, 400],
    [768, 800],
] as const) {
    test(`every place works in a window of ${width} × ${height}`, async ({ page }) => {
        await signIn(page);
        await uploadAndOpen(page, 'small.csv', file, 'Before');
        await page.setViewportSize({ width, height });
        const address = page.url().replace(/profile.*/, '');
        const isWhole = async (place: string) => {
            // Nothing is wider than the window but what scrolls within itself.
            expect
                .soft(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth), place)
                .toBe(0);
            expect
                .soft(
                    await page.evaluate(() => [...document.querySelectorAll('main')].map((one) => one.scrollWidth - one.clientWidth)),
                    place,
                )
                .toEqual([0]);
            expect.soft(await page.evaluate(firstColumnsThatLeave), place).toEqual([]);
        };
        for (const place of [
            '/datasets',
            '/account',
            '/teams',
            `${address}rows`,
            `${address}profile?of=before&by=site`,
            `${address}profile?of=temper&by=site`,
            `${address}compare`,
            `${address}report`,
        ]) {
            await page.goto(place);
            await expect(page.getByRole('main')).toBeVisible();
            await page.waitForLoadState('networkidle');
            await isWhole(place);
        }
        await page.goto(`${address}profile?of=before`);
        await expect.poll(() => figures(page, 'n')).toEqual(['49']);
        if (width === 768) {
            for (const place of ['rows', 'profile', 'compare']) {
                await page.goto(`${address}${place}`);
                const main = page.getByRole('main');
                await expect.poll(() => main.evaluate((one) => one.clientHeight / innerHeight)).toBeGreaterThan(0.6);
            }
            return;
        }
        // The list of variables is a drawer, the basis one line that opens.
        await page.getByRole('button', { name: 'Variables: Before' }).click();
        const drawer = page.getByRole('complementary', { name: 'Variables' });
        await expect(drawer).toBeFocused();
        await page.keyboard.press('Escape');
        await expect(drawer).toBeHidden();
        await page.getByRole('button', { name: 'Variables: Before' }).click();
        await drawer.getByRole('button', { name: /^After/ }).click();
        await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText('After');
        await expect(page.getByRole('button', { name: /^Taken as/ })).toBeHidden();
        await page.getByRole('button', { name: /^Basis/ }).click();
        await choose(page, /^Taken as/, 'population');
        await expect(page.getByRole('rowheader', { name: 'Mean µ' })).toBeVisible();
        await page.keyboard.press('#');
        await expect(page.getByRole('complementary', { name: 'Working' })).toBeInViewport({ ratio: 0.9 });
    });
}

test('where the system chooses the colours, what is chosen, current or pressed has an edge', async ({ page }) => {
    await page.emulateMedia({ forcedColors: 'active' });
    await signIn(page);
    await uploadAndOpen(page, 'forced.csv', file, 'Before');
    const edge = (name: string) => page.getByRole('link', { name, exact: true }).evaluate((one) => getComputedStyle(one).outlineStyle);
    expect(await edge('Profile')).toBe('solid');
    expect(await edge('Rows')).toBe('none');
});
