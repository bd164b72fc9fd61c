import { expect, type Page, test } from '@playwright/test';
import { signIn, upload } from './steps';

test('the focus is where a person expects it after each remedy, what is made, added and changed: never nowhere', async ({ page }) => {
    await signIn(page);
    // Columns of its own: what was decided for the same ones is remembered.
    const tag = `Tag ${Date.now()}`;
    await upload(
        page,
        'remedies.csv',
        `${tag},Yield (kg),Earlier,Later,Day\nA1,20.5,1,3,2026-03-01\nA2,n/a,2,5,2026-03-02\nA3,~22,3,9,yesterday\nA4,23 kg,4,about 5,2026-03-04\n${Array.from({ length: 9 }, (_, i) => `B${i},${24 + i},${i},${i + 3},2026-03-1${i}`).join('\n')}\n`,
    );
    const isSomewhere = async (after: string) => {
        const hasFocus = () => page.evaluate(() => document.activeElement !== document.body && document.activeElement?.isConnected);
        await expect.poll(hasFocus, { message: after }).toBe(true);
        // And still once it has been sent and answered; between one part of the page and the next it may take a moment.
        await page.waitForTimeout(400);
        await expect.poll(hasFocus, { message: after, timeout: 1000 }).toBe(true);
    };
    const press = async (button: ReturnType<Page['getByRole']>) => {
        const name = (await button.textContent()) ?? '';
        // Not while what was pressed before is still being made: it has no focus then.
        await expect(button).toBeEnabled();
        await button.focus();
        await page.keyboard.press('Enter');
        await isSomewhere(name);
    };
    const remedies = page.getByRole('complementary', { name: 'Cells that could not be read' });
    await press(remedies.getByRole('button', { name: 'read “23 kg” as 23' }));
    const missing = remedies.getByRole('button', { name: /^treat/ });
    for (let left = await missing.count(); left > 0; left -= 1) {
        await press(missing.first());
        await expect(missing).toHaveCount(left - 1);
    }
    await press(page.getByRole('button', { name: 'Bring in the rows' }));
    await press(page.getByRole('link', { name: 'Open its rows' }));
    await press(page.getByRole('button', { name: 'Make a variable' }));
    const panel = page.getByRole('region', { name: 'Make a variable' });
    await press(panel.getByRole('button', { name: 'Swap' }));
    await press(panel.getByRole('button', { name: 'Swap' }));
    await press(panel.getByRole('button', { name: 'Make it' }));
    await panel.getByLabel('Name of the new variable').fill('Weather');
    await press(panel.getByRole('button', { name: 'Add' }));
    await expect(page.getByRole('columnheader', { name: /Weather/ })).toHaveCount(1);
    await press(panel.getByRole('button', { name: 'Close' }));
    await press(page.getByRole('button', { name: 'Changes' }));
    await press(page.getByRole('region', { name: 'Changes' }).getByRole('button', { name: 'Undo' }));
    await press(page.getByRole('region', { name: 'Changes' }).getByRole('button', { name: 'Do again' }));
    await page.keyboard.press('Escape');
    await isSomewhere('closing the changes');
});
