import { expect, type Locator, type Page, test } from '@playwright/test';
import { choose, demo, signInTo } from './steps';

/** How each picture of the demo data looked when somebody last looked at it and found it good. */

const look = { maxDiffPixelRatio: 0.01, animations: 'disabled' } as const;
const inspection = '/datasets/5/profile';

test.beforeEach(async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await signInTo(page, demo);
});

async function open(page: Page, address: string, mark: string): Promise<void> {
    await page.goto(address);
    await page.locator(mark).first().waitFor();
    await page.mouse.move(0, 0);
    await page.evaluate(() => document.fonts.ready);
}

async function looks(drawn: Locator, picture: string): Promise<void> {
    // Text has no whole height, and a part of a page may begin between two pixels: neither must decide how it is cut.
    const own = (await drawn.getAttribute('style')) ?? '';
    const set = (style: string) => drawn.evaluate((element, text) => element.setAttribute('style', text), style);
    await set(`${own}; position: fixed; top: 0; left: 0; z-index: 99; background: var(--paper)`);
    await expect(drawn).toHaveScreenshot(`${picture}.png`, look);
    await set(own);
}

test('the stack, in lanes and as outlines', async ({ page }) => {
    await open(page, `${inspection}?of=honey-yield&by=apiary&curve=yes`, '[data-curve]');
    await looks(page.locator('figure svg[role="img"]').first(), 'stack');
    await open(page, `${inspection}?of=autumn-weight&by=hive-type&arrange=outlines&scale=percent`, '[data-outline]');
    await looks(page.locator('figure svg[role="img"]').first(), 'outlines');
});

test('the pictures beside it', async ({ page }) => {
    await open(page, `${inspection}?of=honey-yield&by=apiary&plots=boxes,stems,dots,qq,strips,steps,slopes`, '[data-slope]');
    for (const [name, picture] of [
        ['Box plots', 'boxes'],
        ['Stem-and-leaf', 'stems'],
        ['Dot plot', 'dots'],
        ['Normal Q–Q', 'qq'],
        ['Ordered strip', 'strips'],
        ['Share at or below', 'steps'],
        ['Slope lines', 'slopes'],
    ] as const) {
        await looks(page.getByRole('region', { name, exact: true }).locator('svg[role="img"]').first(), picture);
    }
    await choose(page, /^Stems stand/, 'turned on its side');
    await page.locator('[data-stem-bar]').first().waitFor();
    await looks(page.getByRole('region', { name: 'Stem-and-leaf', exact: true }).locator('svg[role="img"]').first(), 'stems-turned');
});

test('bars of labels, and classes with counts', async ({ page }) => {
    await open(page, `${inspection}?of=hive-type&by=apiary`, '[data-label-bar]');
    await looks(page.locator('figure svg[role="img"]').first(), 'labels');
    await open(page, '/datasets/1/profile?of=years-of-experience&counts=jars', '[data-class]');
    await looks(page.locator('figure svg[role="img"]').first(), 'classes');
});
