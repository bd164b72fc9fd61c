import { expect, type Page, test } from '@playwright/test';
import { bringIn, choose, figures, signIn } from './steps';

const hives = 'Tag,Apiary,Before,After\nA1,Alder,10,4\nA2,Brook,8,9\nA3,alder,3,\nA4,Brook,7,2\n';

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

async function openRows(page: Page, name: string, content: string): Promise<void> {
    await bringIn(page, name, content);
    await page.getByRole('link', { name: 'Open its rows' }).click();
    await expect(page.getByRole('grid', { name: 'Rows' })).toBeVisible();
}

function cell(page: Page, key: string, row: number) {
    return page.locator(`[data-row="${row - 1}"] [data-key="${key}"]`);
}

async function type(page: Page, key: string, row: number, text: string, end = 'Enter'): Promise<void> {
    await cell(page, key, row).click();
    await page.keyboard.type(text);
    await page.keyboard.press(end);
}

/** Types, and waits until the server has it: what a cell shows is what was typed, on its way or arrived. */
async function typeAndSend(page: Page, key: string, row: number, text: string): Promise<void> {
    const sent = page.waitForResponse((answer) => answer.url().endsWith('/changes') && answer.request().method() === 'POST');
    await type(page, key, row, text);
    expect((await sent).ok()).toBe(true);
}

test('a cell is edited, the figures follow, and it is undone after a reload', async ({ page }) => {
    await openRows(page, 'edited.csv', hives);
    await type(page, 'before', 2, '18,5');
    await expect(cell(page, 'before', 2)).toHaveText('18.5');
    await page.getByRole('link', { name: 'Profile' }).click();
    await page.getByRole('complementary', { name: 'Variables' }).getByRole('button', { name: 'Before' }).click();
    await expect.poll(() => figures(page, 'max')).toEqual(['18.5']);

    await page.goBack();
    await page.goBack();
    await page.reload();
    await page.getByRole('button', { name: 'Changes' }).click();
    await expect(page.getByText('Before in row 2: “8” became “18.5”')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'before', 2)).toHaveText('8');
    await expect(page.getByRole('region', { name: 'Changes' }).getByText('Undone: Before in row 2')).toBeVisible();
    await page.getByRole('button', { name: 'Do again' }).click();
    await expect(cell(page, 'before', 2)).toHaveText('18.5');
});

test('a double-click opens a cell with what stands in it, and one in the text being typed takes nothing away', async ({ page }) => {
    await openRows(page, 'pressed.csv', hives);
    await expect(cell(page, 'before', 1)).toHaveText('10');
    await cell(page, 'before', 1).dblclick();
    const editor = page.getByRole('textbox', { name: 'Before, row 1' });
    await expect(editor).toHaveValue('10');
    await editor.fill('125');
    await editor.dblclick();
    await expect(editor).toHaveValue('125');
    // A press elsewhere is the end of it, and nothing typed is lost.
    await cell(page, 'apiary', 3).click();
    await expect(cell(page, 'before', 1)).toHaveText('125');
    await expect(cell(page, 'apiary', 3)).toHaveAttribute('aria-selected', 'true');

    await page.getByRole('rowheader', { name: 'Row 1', exact: true }).click();
    await page.getByRole('rowheader', { name: 'Row 3', exact: true }).click({ modifiers: ['Shift'] });
    await expect(page.getByRole('button', { name: 'Delete 3 rows' })).toBeVisible();
});

test('keys that come faster than the page is drawn, or while the cursor is out of sight, all go where the cursor is', async ({ page }) => {
    const names = Array.from({ length: 20 }, (_, place) => `v${place}`);
    const lines = Array.from({ length: 300 }, (_, row) => names.map((_, place) => row + place).join(','));
    await openRows(page, 'fast.csv', `${names.join(',')}\n${lines.join('\n')}\n`);
    await expect(cell(page, 'v0', 1)).toHaveText('0');
    const grid = page.getByRole('grid', { name: 'Rows' });
    await grid.focus();
    await page.keyboard.press('Control+Home');
    // All before the browser draws anything, or tells of a scroll.
    await page.evaluate(async () => {
        const press = async (key: string, ctrlKey = false) => {
            document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey, bubbles: true, cancelable: true }));
            for (let step = 0; step < 9; step += 1) {
                await Promise.resolve();
            }
        };
        await press('End');
        await press('End', true);
        await press('7');
    });
    const editor = page.getByRole('textbox', { name: 'v19, row 300' });
    await expect(editor).toBeFocused();
    await page.keyboard.type('7.5');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'v19', 300)).toHaveText('77.5');

    await grid.hover();
    await page.keyboard.press('ArrowUp');
    await page.mouse.wheel(-4000, -20000);
    await expect(cell(page, 'v0', 1)).toBeVisible();
    await page.keyboard.type('88.25');
    await expect(editor).toHaveValue('88.25');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'v19', 300)).toHaveText('88.25');
});

test('a page with something on it that is not kept yet is not closed without a question', async ({ page }) => {
    await openRows(page, 'left.csv', hives);
    await expect(cell(page, 'before', 1)).toHaveText('10');
    await cell(page, 'before', 1).click();
    await page.keyboard.type('12');
    const asked = page.waitForEvent('dialog');
    await page.close({ runBeforeUnload: true });
    const question = await asked;
    expect(question.type()).toBe('beforeunload');
    await question.dismiss();
    await expect(page.getByRole('textbox', { name: 'Before, row 1' })).toHaveValue('12');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Saving …')).toBeHidden();
    await page.reload();
    await expect(cell(page, 'before', 1)).toHaveText('12');
});

test('what is no number is not taken silently, and is kept only if wanted', async ({ page }) => {
    await openRows(page, 'checked.csv', hives);
    await type(page, 'after', 1, 'many');
    await expect(page.getByRole('alertdialog')).toContainText('Row 1, After: “many” is not a number.');
    // What was typed is still there to be put right.
    await page.getByRole('button', { name: 'Go back' }).click();
    await expect(cell(page, 'after', 1).getByRole('textbox')).toHaveValue('many');
    await page.keyboard.press('Escape');
    await expect(cell(page, 'after', 1)).toHaveText('4');
    await type(page, 'after', 1, 'many');
    await page.getByRole('button', { name: 'Keep as text, counts as missing' }).click();
    await expect(cell(page, 'after', 1)).toHaveText('many');
    await page.getByRole('button', { name: 'Entry check' }).click();
    await expect(page.getByRole('button', { name: 'One entry could not be read' })).toBeVisible();
});

test('two windows: the second is given a choice and loses nothing', async ({ page, context }) => {
    await openRows(page, 'two windows.csv', hives);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(cell(other, 'before', 1)).toHaveText('10');
    await typeAndSend(page, 'before', 1, '11');

    await type(other, 'before', 1, '12');
    await expect(other.getByRole('alertdialog')).toContainText('Before in row 1: “10” became “11”');
    await other.getByRole('button', { name: 'Leave it' }).click();
    await expect(cell(other, 'before', 1)).toHaveText('11');

    await typeAndSend(page, 'before', 2, '20');
    await type(other, 'before', 1, '12');
    await other.getByRole('button', { name: 'Make my change on top' }).click();
    await expect(cell(other, 'before', 1)).toHaveText('12');
    await expect(cell(other, 'before', 2)).toHaveText('20');
});

test('two windows: rows that were left and come back to are those of now', async ({ page, context }) => {
    await openRows(page, 'left.csv', hives);
    const other = await context.newPage();
    await other.goto(page.url());
    await expect(cell(other, 'before', 1)).toHaveText('10');
    await other.getByRole('link', { name: 'Profile' }).click();
    await typeAndSend(page, 'before', 1, '11');
    await other.getByRole('link', { name: 'Rows' }).click();
    await expect(cell(other, 'before', 1)).toHaveText('11');
});

test('a list is typed into an empty dataset: Enter goes down, Tab across, rows appear as needed', async ({ page }) => {
    await page.getByRole('button', { name: 'Begin an empty one' }).click();
    await cell(page, 'value', 1).click();
    for (const value of ['5', '7,5', '9', '12']) {
        await page.keyboard.type(value);
        await page.keyboard.press('Enter');
    }
    await expect(cell(page, 'value', 4)).toHaveText('12.0');
    await page.getByRole('button', { name: 'Make a variable' }).click();
    await choose(page, /^Type: /, 'category');
    await page.getByLabel('Name of the new variable').fill('Keeper');
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByRole('columnheader', { name: 'Keeper category' })).toBeVisible();
    await cell(page, 'value', 5).click();
    await page.keyboard.type('3');
    await page.keyboard.press('Tab');
    await expect(cell(page, 'value', 5)).toHaveText('3.0');
    await page.keyboard.type('Ann');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'keeper', 5)).toHaveText('Ann');
    await page.getByRole('link', { name: 'Profile' }).click();
    await expect.poll(() => figures(page, 'sum')).toEqual(['36.5']);
});

test('rows are copied, pasted and deleted whole, also where they were never in sight', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    const names = Array.from({ length: 25 }, (_, i) => `v${i}`);
    const line = (row: number) => names.map((_, i) => String(row * 100 + i));
    const lines = Array.from({ length: 450 }, (_, i) => line(i + 1).join(','));
    await openRows(page, 'wide.csv', `${names.join(',')}\n${lines.join('\n')}\n`);
    await cell(page, 'v0', 1).click();
    await page.keyboard.press('ControlOrMeta+Shift+End');
    await expect(cell(page, 'v0', 450)).toHaveText('45000');
    await page.keyboard.press('ControlOrMeta+c');
    await expect(page.getByText('Copied: 450 rows')).toBeVisible();
    const copied = await page.evaluate(() => navigator.clipboard.readText());
    expect(copied.split('\n').map((row) => row.split('\t'))).toEqual(Array.from({ length: 450 }, (_, i) => line(i + 1)));

    // Too wide for where the cursor is: said, and nothing is changed.
    await page.keyboard.press('ControlOrMeta+Home');
    await cell(page, 'v3', 1).click();
    await page.keyboard.press('ControlOrMeta+v');
    await expect(page.getByRole('alertdialog')).toContainText('25 columns wide, and from the cursor on there are 22 variables');
    await page.getByRole('button', { name: 'Go back' }).click();
    await expect(cell(page, 'v3', 1)).toHaveText('103');

    // In a view the rows keep their own numbers: the last 300, ordered the other way round.
    await page.getByLabel('Condition').fill('v0 > 15000');
    await page.keyboard.press('Enter');
    await choose(page, /^Ordered/, 'by v0, largest first');
    await expect(page.getByText('300 of 450 rows, where')).toBeVisible();
    await page.evaluate(() => navigator.clipboard.writeText(Array.from({ length: 250 }, (_, i) => `${i}`).join('\n')));
    await cell(page, 'v1', 1).click();
    await page.keyboard.press('ControlOrMeta+v');
    await expect(cell(page, 'v1', 2)).toHaveText('1');
    await page.getByRole('button', { name: 'show all' }).click();
    await choose(page, /^Ordered/, 'as entered');
    await page.getByLabel('Go to row').fill('201');
    await page.keyboard.press('Enter');
    // Row 450 was the first of the view, and row 201 the 250th.
    await expect(cell(page, 'v1', 201)).toHaveText('249');
    await expect(cell(page, 'v1', 200)).toHaveText('20001');

    await page.getByLabel('Condition').fill('v0 > 15000');
    await page.keyboard.press('Enter');
    await expect(page.getByText('300 of 450 rows, where')).toBeVisible();
    await cell(page, 'v0', 1).click();
    await page.keyboard.press('ControlOrMeta+Shift+End');
    await page.getByRole('button', { name: 'Delete 300 rows' }).click();
    await expect(page.getByText('150 rows × 25 variables')).toBeVisible();
});

test('cells pasted from a spreadsheet fill rows and add what is missing', async ({ page }) => {
    await openRows(page, 'pasted.csv', hives);
    await cell(page, 'before', 4).click();
    await page.getByRole('grid').evaluate((grid) => {
        const data = new DataTransfer();
        data.setData('text/plain', '71\t21\n72\t22\r\n');
        grid.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
    });
    await expect(cell(page, 'before', 4)).toHaveText('71');
    await expect(cell(page, 'after', 5)).toHaveText('22');
});

test('a difference says what its sign means, is turned by a click, follows its inputs', async ({ page }) => {
    await openRows(page, 'difference.csv', hives);
    await page.getByRole('button', { name: 'Make a variable' }).click();
    await choose(page, /^Good is/, 'less afterwards');
    await expect(page.getByText('Negative: less in After than in Before, the good direction.')).toBeVisible();
    await expect(page.getByRole('row', { name: '1 4 10 -6' })).toBeVisible();
    await page.getByRole('button', { name: 'Swap' }).click();
    await expect(page.getByRole('row', { name: '1 10 4 6' })).toBeVisible();
    await page.getByRole('button', { name: 'Swap' }).click();
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(cell(page, 'after-before', 1)).toHaveText('-6');
    await expect(cell(page, 'after-before', 3)).toHaveText('·');
    await type(page, 'after', 3, '1');
    await expect(cell(page, 'after-before', 3)).toHaveText('-2');
});

test('a formula points at what is wrong in it', async ({ page }) => {
    await openRows(page, 'formula.csv', hives);
    await page.getByRole('button', { name: 'Make a variable' }).click();
    await choose(page, /^Make:/, 'a formula');
    await page.getByRole('textbox', { name: 'Formula' }).fill('2 * Beforr');
    await expect(page.getByRole('alert')).toContainText('There is no variable “Beforr”. Did you mean “Before”?');
    await expect(page.locator('mark')).toHaveText('Beforr');
    await page.getByRole('textbox', { name: 'Formula' }).fill('if(Before > 7, sqrt(After), 0)');
    await expect(page.getByRole('row', { name: /1 10 4 2$/ })).toBeVisible();
    await page.getByLabel('Name', { exact: true }).fill('Root');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(cell(page, 'root', 2)).toHaveText('3');
});

test('a deleted variable and a deleted row are brought back by themselves', async ({ page }) => {
    await openRows(page, 'deleted.csv', hives);
    await page.getByRole('columnheader', { name: 'Before' }).getByRole('button').click();
    await page.getByRole('button', { name: 'Delete variable' }).click();
    await expect(page.getByRole('columnheader', { name: /^Before/ })).toHaveCount(0);
    await page.getByRole('rowheader', { name: 'Row 2', exact: true }).click();
    await page.getByRole('button', { name: 'Delete 1 row' }).click();
    await expect(cell(page, 'tag', 2)).toHaveText('A3');
    await type(page, 'after', 2, '5');
    await page.getByRole('button', { name: 'Changes' }).click();
    const back = (what: RegExp) => page.getByRole('listitem').filter({ hasText: what }).getByRole('button', { name: 'Bring back' });
    await back(/variable Before/).click();
    await expect(cell(page, 'before', 2)).toHaveText('3');
    await back(/row 2: A2/).click();
    await expect(cell(page, 'tag', 2)).toHaveText('A2');
    await expect(cell(page, 'before', 2)).toHaveText('8');
    await expect(cell(page, 'after', 3)).toHaveText('5');
});

test('rows are filtered, ordered and found without touching the data', async ({ page }) => {
    await openRows(page, 'seen.csv', hives);
    await page.getByLabel('Condition').fill('Before > 5');
    await page.keyboard.press('Enter');
    await expect(page.getByText('3 of 4 rows, where')).toBeVisible();
    await choose(page, /^Ordered/, 'by Before, smallest first');
    await expect(cell(page, 'tag', 1)).toHaveText('A4');
    await expect(page).toHaveURL(/where=Before\+%3E\+5&sort=before/);
    await page.reload();
    await expect(cell(page, 'tag', 3)).toHaveText('A1');
    // Editing works on the row itself, wherever it is seen.
    await type(page, 'after', 1, '33');
    await page.getByRole('button', { name: 'show all' }).click();
    await choose(page, /^Ordered/, 'as entered');
    await expect(cell(page, 'after', 4)).toHaveText('33');
    await page.getByLabel('Find text').fill('a3');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-row="2"] [data-key="tag"][aria-selected="true"]')).toBeVisible();
    await page.getByLabel('Condition').fill('Before >');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('The formula ends too early.');
});

test('labels are put in order by keyboard, and a misspelt one becomes what was meant', async ({ page }) => {
    await openRows(page, 'labels.csv', hives);
    await page.getByRole('columnheader', { name: 'Apiary' }).getByRole('button').click();
    await expect(page.getByText('alder may be meant as Alder')).toBeVisible();
    await page.getByRole('button', { name: 'Make them one' }).click();
    await expect(cell(page, 'apiary', 3)).toHaveText('Alder');
    await page.getByRole('button', { name: /^Move Brook/ }).press('ArrowUp');
    await page.getByRole('button', { name: 'Keep this order' }).click();
    await expect(page.getByRole('list', { name: 'Labels' }).getByRole('listitem').first()).toContainText('Brook');
});

test('a type is changed after seeing what would be lost, and a variable is described', async ({ page }) => {
    await openRows(page, 'typed.csv', hives);
    await page.getByRole('columnheader', { name: 'Apiary' }).getByRole('button').click();
    await choose(page, /^Read as/, 'number');
    await expect(page.getByText('4 cells could not be read and would count as missing:')).toBeVisible();
    await page.getByRole('button', { name: 'Leave it' }).click();
    await choose(page, /^Variable: /, 'Before');
    await page.getByLabel('Name', { exact: true }).fill('Mites before');
    await page.getByLabel('Unit').fill('per 300 bees');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('columnheader', { name: 'Mites before per 300 bees' })).toBeVisible();
});

for (const [words, extension] of [
    ['CSV', 'csv'],
    ['XLSX', 'xlsx'],
    ['Data package', 'zip'],
] as const) {
    test(`the data are taken out as ${words} and come in again`, async ({ page }) => {
        await openRows(page, `out ${extension}.csv`, hives);
        await page.getByRole('button', { name: 'Take out' }).click();
        const download = page.waitForEvent('download');
        await page.getByRole('link', { name: words, exact: true }).click();
        const file = await (await download).path();
        await page.getByRole('link', { name: 'Row Tally: all datasets' }).click();
        const again = await page.request.fetch(page.url()).then(() => file);
        await page.getByLabel('File with data').setInputFiles({
            name: `again.${extension}`,
            mimeType: 'application/octet-stream',
            buffer: (await import('node:fs')).readFileSync(again),
        });
        await page.getByRole('button', { name: 'Bring in the rows' }).click();
        await page.getByRole('link', { name: 'Open its rows' }).click();
        await expect(cell(page, 'tag', 4)).toHaveText('A4');
        await expect(cell(page, 'before', 1)).toHaveText('10');
        await expect(cell(page, 'after', 3)).toHaveText('·');
    });
}
