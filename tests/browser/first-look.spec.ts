import AxeBuilder from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { signIn, uploadAndOpen } from './steps';

const hives =
    'Tag,Yield (kg),Site,Note\nA1,20.5,Brook End,calm\nA2,22,Brook End,keen\nA3,24.25,Brook End,\nB1,30,Dunmere,calm\nB2,,Dunmere,calm\nB3,31,Dunmere,keen\n';

/** Names and figures in sight, and where. */
async function places(page: Page): Promise<{ text: string; right: number; top: number }[]> {
    return page.evaluate(() =>
        [...document.querySelectorAll('h1, h2, th[scope="col"], td[data-figure]')].map((element) => {
            const { right, top } = element.getBoundingClientRect();
            return { text: element.textContent.replace(/\s+/g, ' ').trim(), right, top };
        }),
    );
}

for (const [name, words] of [
    ['of a variable by group', '?of=yield&by=site'],
    ['of all variables', ''],
] as const) {
    test(`the figures ${name} are there before the scripts, in their places, and are not asked for again`, async ({ page }) => {
        await signIn(page);
        await uploadAndOpen(page, 'first look.csv', hives);
        const path = `${new URL(page.url()).pathname}${words}`;
        await page.route('**/*.js', (route) => route.abort());
        await page.goto(path);
        await expect(page.locator('td[data-figure="mean"]').first()).toBeVisible();
        const before = await places(page);
        expect(before.filter(({ text }) => text.includes('25.55')).length).toBeGreaterThan(0);
        for (const look of ['light', 'dark']) {
            await page.evaluate((to) => (document.documentElement.dataset.theme = to), look);
            const { violations } = await new AxeBuilder({ page }).setLegacyMode().analyze();
            expect(violations.map(({ id, nodes }) => ({ id, where: nodes.slice(0, 2).map(({ html }) => html.slice(0, 200)) }))).toEqual([]);
        }
        await page.setViewportSize({ width: 320, height: 640 });
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);

        await page.setViewportSize({ width: 1280, height: 800 });
        await page.unroute('**/*.js');
        const asked: string[] = [];
        page.on('request', (request) => asked.push(new URL(request.url()).pathname));
        await page.goto(path);
        await expect(page.getByRole('button', { name: /^Quartiles by/ })).toBeVisible();
        // What stands below the figures (classes, readings) arrives by itself and may be here already.
        const after = (await places(page)).slice(0, before.length);
        expect(after.map(({ text }) => text)).toEqual(before.map(({ text }) => text));
        for (const [place, { text, right, top }] of after.entries()) {
            expect(Math.abs(right - (before[place]?.right ?? 0)), `${text}, across`).toBeLessThan(4);
            expect(Math.abs(top - (before[place]?.top ?? 0)), `${text}, down`).toBeLessThan(8);
        }
        await page.waitForLoadState('networkidle');
        expect(asked.filter((one) => /\/(profile|overview)$/.test(one) && one.startsWith('/api/'))).toEqual([]);

        // The same words may mean something else later: asked again, they are asked of the server.
        await page.getByRole('link', { name: 'Rows', exact: true }).click();
        await page.getByRole('gridcell', { name: '20.50', exact: true }).dblclick();
        await page.keyboard.press('Control+a');
        await page.keyboard.type('26.5');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('gridcell', { name: '26.50', exact: true })).toBeVisible();
        await page.goBack();
        await expect(page.locator('td[data-figure="mean"]').first()).toContainText('26.750');
    });
}
