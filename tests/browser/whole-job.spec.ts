import { readFile } from 'node:fs/promises';
import { expect, type Locator, type Page, test } from '@playwright/test';
import { choose, signIn } from './steps';

const hives =
    'Tag,Yield (kg),Site\nA1,20.5,Brook End\nA2,22,Brook End\nA3,24.25,Brook End\nB1,30,Dunmere\nB2,34.5,Dunmere\nB3,31,Dunmere\n';

test.describe.configure({ mode: 'parallel' });

/** The way to a part of the page: by hand, or by keys. */
interface Hands {
    press: (what: Locator) => Promise<void>;
    /** Chooses of what a word of a sentence offers. */
    choose: (what: RegExp, words: string) => Promise<void>;
    /** What is to be true at every place. */
    look: (place: string) => Promise<void>;
}

/** From a file to a report that somebody else can check, by names and roles alone: what has neither is not there. */
async function wholeJob(
    page: Page,
    name: string,
    { press, choose, look }: Hands,
    cell: { typed: string; before: string; shown: string; mean: string },
) {
    const chooser = page.waitForEvent('filechooser');
    await press(page.getByRole('button', { name: 'Choose a file' }));
    await (await chooser).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(hives) });
    const bringIn = page.getByRole('button', { name: 'Bring in the rows' });
    await expect(bringIn).toBeVisible();
    await look('bringing in');
    await press(bringIn);
    await press(page.getByRole('link', { name: 'Open its rows' }));

    // Make sure: a cell is put right, and the change can be taken back and made again.
    const grid = page.getByRole('grid', { name: 'Rows' });
    await expect(grid.getByRole('gridcell', { name: 'B3' })).toBeVisible();
    await look('rows');
    await grid.focus();
    await page.keyboard.press('Control+Home');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.type(cell.typed);
    await page.keyboard.press('Enter');
    await expect(grid.getByRole('gridcell', { name: cell.shown, exact: true })).toBeVisible();
    await page.keyboard.press('Control+z');
    await expect(grid.getByRole('gridcell', { name: cell.before, exact: true })).toBeVisible();
    await page.keyboard.press('Control+Shift+Z');
    await expect(grid.getByRole('gridcell', { name: cell.shown, exact: true })).toBeVisible();

    // Profile, by group.
    await press(page.getByRole('link', { name: 'Profile', exact: true }));
    await press(page.getByRole('region', { name: 'Overview table' }).getByRole('button', { name: 'Yield', exact: true }));
    await expect(page.getByRole('heading', { level: 2, name: 'Yield' })).toBeVisible();
    await choose(/^Split by/, 'Site');
    const figures = page.getByRole('region', { name: 'Figures' });
    await expect(figures.getByRole('columnheader', { name: 'Dunmere' })).toBeVisible();
    await expect(figures.getByRole('row', { name: /^Mean/ })).toContainText(cell.mean);
    await look('profile');
    await press(page.getByRole('button', { name: /^Keep the picture of/ }).first());
    await expect(page.getByText(/^Kept for the report/)).toBeVisible();

    // Compare.
    await press(page.getByRole('link', { name: 'Compare', exact: true }));
    await expect(page.getByRole('region', { name: 'Comparison table' })).toBeVisible();
    await look('comparing');
    await press(page.getByRole('button', { name: /^Keep the table of/ }).first());
    await expect(page.getByText(/^Kept for the report/).last()).toBeVisible();

    // Say it, and hand it over.
    await press(page.getByRole('link', { name: 'Report', exact: true }));
    await expect(page.getByRole('article').nth(1)).toBeVisible();
    await look('report');
    await press(page.getByRole('button', { name: 'Hand it over' }));
    const file = page.waitForEvent('download');
    await press(page.getByRole('button', { name: 'Hand over as Page' }));
    const html = await readFile(await (await file).path(), 'utf8');
    expect(html.includes(cell.mean), 'the page has the figure').toBe(true);
    return html;
}

const byHand = (page: Page, look: Hands['look'] = async () => {}): Hands => ({
    press: (what) => what.click(),
    choose: async (what, words) => {
        // In a small window the list of variables is a drawer.
        const drawer = page.getByRole('button', { name: /^Variables: / });
        if (!(await page.getByRole('button', { name: what }).isVisible())) {
            await drawer.click();
        }
        await choose(page, what, words);
        const close = page.getByRole('complementary', { name: 'Variables' }).getByRole('button', { name: 'Close' });
        if (await close.isVisible()) {
            await close.click();
        }
    },
    look,
});

test('the whole job with a decimal comma', async ({ page }) => {
    await signIn(page);
    await page.goto('/account');
    const marks = page.getByRole('region', { name: 'Numbers and days' });
    await choose(page, /^Before decimals/, 'a comma');
    await choose(page, /^Between thousands/, 'a point');
    await expect(marks).toContainText('−12.345,67');
    try {
        // With another mark than a point between thousands, no point is left in any number.
        await choose(page, /^Between thousands/, 'an apostrophe');
        await expect(marks).toContainText('−12’345,67');
        await page.goto('/datasets');
        const html = await wholeJob(
            page,
            'with commas.csv',
            byHand(page, async (place) => {
                // No number on the screen has a decimal point, but in the language of conditions.
                const left = await page.evaluate(() => {
                    const texts: string[] = [];
                    const walk = document.createTreeWalker(document.querySelector('main') ?? document.body, NodeFilter.SHOW_TEXT);
                    while (walk.nextNode() !== null) {
                        texts.push(walk.currentNode.textContent ?? '');
                    }
                    return texts.filter((text) => /\d\.\d/.test(text) && !text.startsWith('Row Tally '));
                });
                // The file that is brought in is shown as it stands.
                expect(place === 'bringing in' ? [] : left, place).toEqual([]);
            }),
            { typed: '21,5', before: '20,50', shown: '21,50', mean: '22,583' },
        );
        expect(html).not.toMatch(/<td>[+−]?\d+\.\d/);

        // A number that can be read in two ways is asked about, typed and pasted; one that cannot is not.
        await page.getByRole('link', { name: 'Rows', exact: true }).click();
        const grid = page.getByRole('grid', { name: 'Rows' });
        await expect(grid.getByRole('gridcell', { name: '21,50', exact: true })).toBeVisible();
        await choosePoint(page, 'a blank');
        await page.goBack();
        await expect(grid.getByRole('gridcell', { name: '21,50', exact: true })).toBeVisible();
        await grid.focus();
        await page.keyboard.press('Control+Home');
        await page.keyboard.press('ArrowRight');
        await page.keyboard.type('1.234');
        await page.keyboard.press('Enter');
        const question = page.getByRole('alertdialog', { name: 'Which number is “1.234”?' });
        await question.getByRole('button', { name: '1,234', exact: true }).click();
        await expect(grid.getByRole('gridcell', { name: '1,234', exact: true })).toBeVisible();
        await expect(grid).toBeFocused();
    } finally {
        await page.goto('/account');
        await choose(page, /^Before decimals/, 'a point');
        await choose(page, /^Between thousands/, 'a mark in counts alone');
        await expect(marks).toContainText('−12345.67');
    }
});

/** Another mark between thousands, and back to what was there. */
async function choosePoint(page: Page, words: string): Promise<void> {
    await page.goto('/account');
    await choose(page, /^Between thousands/, words);
    await expect(page.getByRole('region', { name: 'Numbers and days' })).toContainText('12\u00A0345,67');
}

const PLAIN = { typed: '21.5', before: '20.50', shown: '21.50', mean: '22.583' };

test('the whole job by names and roles alone, as a screen reader has them', async ({ page }) => {
    await signIn(page);
    await wholeJob(
        page,
        'by names.csv',
        byHand(page, async () => {
            // One heading of the first level, one main part, and nothing that can be pressed without a name.
            await expect(page.getByRole('main')).toHaveCount(1);
            await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1);
            for (const role of ['button', 'link', 'textbox', 'checkbox', 'combobox'] as const) {
                expect(await page.getByRole(role, { name: /^\s*$/, exact: true }).count(), role).toBe(0);
            }
        }),
        PLAIN,
    );
});

const hasFocus = (what: Locator) => what.evaluate((element) => element === document.activeElement);

/** Where the focus is: nothing, if it is lost or not seen. */
async function isSeen(page: Page): Promise<boolean> {
    return page.evaluate(() => {
        const at = document.activeElement;
        const box = at?.getBoundingClientRect();
        return at === document.body || (box !== undefined && box.width > 0 && box.height > 0 && at?.matches(':focus-visible') === true);
    });
}

/** Goes on by Tab, and within one stop (a table, a sentence) by arrow keys, until something has the focus; each stop on the way is seen. */
async function reach(page: Page, what: Locator): Promise<void> {
    await expect(what).toBeVisible();
    for (let stops = 0; stops < 90; stops += 1) {
        if (await hasFocus(what)) {
            return;
        }
        const key = await what.evaluate((element) => {
            const at = document.activeElement;
            let part = element instanceof HTMLElement && element.tabIndex === -1 ? element.parentElement : null;
            const isStop = (one: Element) => one instanceof HTMLElement && one.tabIndex === 0;
            while (part !== null && ![...part.querySelectorAll('button, a[href], input, summary')].some(isStop)) {
                part = part.parentElement;
            }
            if (part === null || at === null || !part.contains(at)) {
                return 'Tab';
            }
            const [from, to] = [at.getBoundingClientRect(), element.getBoundingClientRect()];
            const isOnLine = Math.abs((from.top + from.bottom) / 2 - (to.top + to.bottom) / 2) < 12;
            const isBehind = (at.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_FOLLOWING) > 0;
            return isOnLine || part.tagName === 'P' ? (isBehind ? 'ArrowRight' : 'ArrowLeft') : isBehind ? 'ArrowDown' : 'ArrowUp';
        });
        const before = await page.evaluateHandle(() => document.activeElement);
        await page.keyboard.press(key);
        if (key.startsWith('Arrow') && (await page.evaluate((was) => was === document.activeElement, before))) {
            await page.keyboard.press(key === 'ArrowDown' ? 'ArrowRight' : 'Tab');
        }
        expect(await isSeen(page), 'each stop is seen').toBe(true);
    }
    throw new Error(`Not reached by keys: ${what.toString()}`);
}

test('the whole job by keyboard alone', async ({ page }) => {
    test.slow();
    await signIn(page);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Datasets' })).toBeVisible();
    const press = async (what: Locator) => {
        await reach(page, what.first());
        await page.keyboard.press('Enter');
    };
    await wholeJob(
        page,
        'by keys.csv',
        {
            press,
            choose: async (what, words) => {
                await press(page.getByRole('button', { name: what }));
                await expect(page.locator('[role="menu"]:focus-within')).toBeVisible();
                await page.keyboard.type(words.slice(0, 3));
                await page.keyboard.press('Enter');
            },
            look: async () => {},
        },
        PLAIN,
    );
});

for (const { name, width, height } of [
    { name: '320 px', width: 320, height: 640 },
    { name: '400 %', width: 320, height: 200 },
]) {
    test(`the whole job at ${name}`, async ({ page }) => {
        test.slow();
        await signIn(page);
        await page.setViewportSize({ width, height });
        await wholeJob(
            page,
            `at ${width} ${height}.csv`,
            byHand(page, async (place) => {
                // The page scrolls as a page, and only downwards.
                expect(await page.evaluate(() => document.documentElement.scrollWidth), place).toBeLessThanOrEqual(width);
            }),
            PLAIN,
        );
    });
}

test('the whole job in forced colours: what is chosen, current and pressed is marked by more than a ground', async ({ page }) => {
    await page.emulateMedia({ forcedColors: 'active' });
    await signIn(page);
    await wholeJob(
        page,
        'forced.csv',
        byHand(page, async (place) => {
            const unmarked = await page
                .locator('[aria-current="page"], [aria-pressed="true"], [aria-checked="true"], input:checked')
                .evaluateAll((marked) =>
                    marked
                        .filter((element) => {
                            const look = getComputedStyle(element);
                            return !(
                                parseFloat(look.borderBottomWidth) > 0 ||
                                look.outlineStyle !== 'none' ||
                                look.textDecorationLine !== 'none' ||
                                Number(look.fontWeight) >= 600 ||
                                element instanceof HTMLInputElement
                            );
                        })
                        .map((element) => element.outerHTML.slice(0, 120)),
                );
            expect(unmarked, place).toEqual([]);
        }),
        PLAIN,
    );
});
