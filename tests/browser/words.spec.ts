import { expect, test } from '@playwright/test';
import { choose, KEEP, signIn, uploadAndOpen, reload } from './steps';

const hives = 'Tag,Apiary,Yield (kg)\nN1,North,20\nN2,North,22\nS1,South,30\nS2,South,34\n';

test('a figure is set into a sentence by typing what it is called, and follows the data', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'said.csv', hives, 'Yield');
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: 'Begin with an empty one' }).click();
    await page.getByRole('button', { name: 'Write', exact: true }).click();
    const words = page.getByRole('textbox', { name: 'Text', exact: true });
    await expect(words).toBeFocused();

    // All by keys: a group’s figure, then one that is walked to.
    await page.keyboard.type('South gave {mean yie sou');
    const list = page.getByRole('listbox', { name: 'Figures' });
    await expect(list.getByRole('option').first()).toHaveText('Mean of Yield, South32.0');
    await page.keyboard.press('Enter');
    await expect(list).toBeHidden();
    await page.keyboard.type(' kg, all of them {yield');
    await expect(list.getByRole('option', { selected: true })).toHaveText(/^Count/);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(list.getByRole('option', { selected: true })).toHaveText('Mean of Yield26.5');
    await page.keyboard.press('Tab');
    await page.keyboard.type('. A {brace');
    await page.keyboard.press('Escape');
    await page.keyboard.type('} stays.');
    await expect(words).toHaveText('South gave 32.0 kg, all of them 26.5. A {brace} stays.');
    await words.blur();
    await reload(page);
    await expect(words).toHaveText('South gave 32.0 kg, all of them 26.5. A {brace} stays.');

    // It follows the data, and says why where it has come to nothing.
    await page.getByRole('link', { name: 'Rows' }).click();
    await page.getByRole('gridcell', { name: '34' }).dblclick();
    await page.keyboard.press('Control+a');
    await page.keyboard.type('38');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('gridcell', { name: '38' })).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(words).toHaveText('South gave 34.0 kg, all of them 27.5. A {brace} stays.');
    await page.getByRole('link', { name: 'Rows' }).click();
    await page
        .getByRole('button', { name: /^Apiary/ })
        .first()
        .click();
    await page.getByRole('button', { name: 'Delete variable' }).click();
    await expect(page.getByRole('button', { name: /^Apiary/ })).toHaveCount(0);
    await page.getByRole('link', { name: 'Report' }).click();
    await expect(words).toContainText('"apiary"');
    await expect(words).toContainText('27.5');
    await expect(page.getByRole('region', { name: 'Unfinished' })).toContainText('1 thing is unfinished');
});

test('a common sentence fills its gaps, in a note too', async ({ page }) => {
    await signIn(page);
    await uploadAndOpen(page, 'common.csv', hives, 'Yield');
    await page.getByRole('button', { name: KEEP }).first().click();
    await expect(page.getByText('Kept for the report')).toBeVisible();
    await page.getByRole('link', { name: 'Report' }).click();
    await page.getByRole('button', { name: /^Write below/ }).click();
    await page.getByRole('button', { name: 'Begin with a sentence' }).click();
    await choose(page, /^Variable/, 'Apiary');
    await expect(page.getByRole('button', { name: 'Of Apiary 50.0 % are North and 50.0 % are South.' })).toBeVisible();
    await choose(page, /^Variable/, 'Yield');
    await page.getByRole('button', { name: 'About 75.0 % of 4 rows lie between 19.9 and 33.1 kg.' }).click();
    const note = page.getByRole('textbox', { name: /^Words below/ });
    await expect(note).toHaveText('About 75.0 % of 4 rows lie between 19.9 and 33.1 kg.');
    await note.blur();
    await reload(page);
    await expect(note).toHaveText('About 75.0 % of 4 rows lie between 19.9 and 33.1 kg.');
});
