import { expect, type Locator, type Page, test } from '@playwright/test';
import { choose, signIn, uploadAndOpen } from './steps';

/** One geometry, two thin drawings: what the page draws and what the server draws for a report lie in the same places. */

const rows = Array.from({ length: 90 }, (_, i) => [
    ['north', 'south', 'east'][i % 3],
    10 + (i % 3) * 4 + (i % 13) + (i === 7 ? 60 : 0),
    12 + (i % 7),
]);
const file = `g,x (kg),y (kg)\n${rows.map((row) => row.join(',')).join('\n')}\n`;
const classes = 'Age,Keepers\n0-9,4\n10-19,11\n20-39,8\n40 and over,3\n';

/** Marks that stand for data, by the attribute that both drawings give them. */
const marks = [
    'bar',
    'ogive',
    'curve',
    'outline',
    'box',
    'whisker',
    'median',
    'mean',
    'outlier',
    'level',
    'dot',
    'point',
    'reference',
    'cut',
    'slope',
    'label-bar',
    'cumulative',
    'class',
    'polygon',
    'quartile',
    'stem-bar',
];

type Places = Record<string, number[][]>;

/** Where each kind of mark lies in a picture, and every number that is written in it. */
function places(svg: Element, names: string[]): Places {
    const frame = svg.getBoundingClientRect();
    const found: Record<string, number[][]> = {};
    for (const name of names) {
        found[name] = [...svg.querySelectorAll(`[data-${name}]`)].map((mark) => {
            const box = mark.getBoundingClientRect();
            return [box.left - frame.left, box.top - frame.top, box.width, box.height];
        });
    }
    return found;
}

const written = (svg: Element) => [...svg.querySelectorAll('text.figures')].map((text) => text.firstChild?.textContent ?? '').sort();

/** Presses the Keep of a picture, asks the server for that picture in the same words and the same width, and compares. */
async function compare(page: Page, figure: Locator, needed: string[]): Promise<void> {
    const drawn = figure.locator('svg[role="img"]').first();
    const asked = page.waitForRequest((request) => request.method() === 'POST' && request.url().includes('/plots/picture?'));
    await figure.getByRole('button', { name: 'Keep', exact: true }).first().click();
    const url = new URL((await asked).url());
    url.searchParams.set('width', (await drawn.getAttribute('width')) ?? '');
    const answer = await page.request.get(url.toString());
    expect(answer.headers()['content-type']).toContain('image/svg+xml');
    const svg = await answer.text();
    const own = await drawn.evaluate(places, marks);
    const ownWords = await drawn.evaluate(written);
    const other = await page.evaluateHandle((text) => {
        document.querySelector('#other')?.remove();
        const place = document.createElement('div');
        place.id = 'other';
        place.style.cssText = 'position:absolute;left:0;top:0;visibility:hidden';
        place.innerHTML = text;
        document.body.append(place);
        return place.firstElementChild as Element;
    }, svg);
    const servers = await other.evaluate(places, marks);
    for (const name of needed) {
        expect(own[name], `the page draws ${name}`).not.toHaveLength(0);
    }
    for (const name of marks) {
        expect(servers[name], `as many of ${name}`).toHaveLength(own[name]?.length ?? 0);
        const apart = Math.max(
            0,
            ...(own[name] ?? []).flatMap((place, i) => place.map((at, k) => Math.abs(at - (servers[name]?.[i]?.[k] ?? NaN)))),
        );
        expect(apart, `${name}, in pixels`).toBeLessThan(0.5);
    }
    expect(await other.evaluate(written)).toEqual(ownWords);
    await other.evaluate((picture) => picture.parentElement?.remove());
}

const figureOf = (page: Page, part: string) => page.getByRole('region', { name: part, exact: true }).locator('figure').first();

test.beforeEach(async ({ page }) => {
    await signIn(page);
});

test('the stack: bars, boxes, lines, dots, by group, as outlines, cumulative and zoomed', async ({ page }) => {
    await uploadAndOpen(page, 'agreement.csv', file, 'x');
    const stack = page.locator('figure').first();
    const address = new URL(page.url());
    for (const [words, needed] of [
        [{}, ['bar', 'box', 'whisker', 'median', 'mean', 'outlier', 'level', 'dot']],
        [{ by: 'g', curve: 'yes', marks: 'quartiles,mean,sd1', lane_order: 'mean' }, ['bar', 'curve', 'box', 'level']],
        [{ by: 'g', arrange: 'outlines', scale: 'percent' }, ['outline', 'box']],
        [{ scale: 'cumulative', zoom: '12:30' }, ['ogive', 'bar']],
        [{ classes: '0,10,15,40,90' }, ['bar']],
    ] as [Record<string, string>, string[]][]) {
        const own = new URL(address);
        for (const [name, word] of Object.entries(words)) {
            own.searchParams.set(name, word);
        }
        await page.goto(own.toString());
        await expect(page.locator('[data-lane]').first()).toBeVisible();
        await expect(page.locator('[data-lane]')).toHaveCount('by' in words ? 4 : 1);
        await compare(page, stack, needed);
    }
});

test('the pictures beside it', async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await uploadAndOpen(page, 'agreement.csv', file, 'x');
    const address = new URL(page.url());
    address.searchParams.set('by', 'g');
    address.searchParams.set('plots', 'boxes,stems');
    await page.goto(address.toString());
    await expect(page.locator('[data-box]').first()).toBeVisible();
    await compare(page, figureOf(page, 'Box plots'), ['box', 'whisker', 'median', 'mean', 'outlier']);
    await choose(page, 'Boxes', 'stand');
    await choose(page, 'Notches', 'with notches');
    await choose(page, 'Thickness', 'as thick as √n');
    await choose(page, 'Whiskers', 'whiskers to the extremes');
    await compare(page, figureOf(page, 'Box plots'), ['box', 'whisker', 'median', 'mean']);
    await choose(page, 'Stems stand', 'turned on its side');
    await page.locator('[data-stem-bar]').first().waitFor();
    await compare(page, figureOf(page, 'Stem-and-leaf'), ['stem-bar']);
});

test('bars of labels and classes with counts', async ({ page }) => {
    await uploadAndOpen(page, 'agreement.csv', file, 'g');
    const bars = page.locator('figure').filter({ has: page.locator('[data-label-bar]') });
    await compare(page, bars, ['label-bar']);
    await choose(page, 'Bars in', 'percent of those present');
    await choose(page, 'Bars are', 'with a cumulative line');
    await compare(page, bars, ['label-bar', 'cumulative']);
    await page.goto('/datasets');
    await uploadAndOpen(page, 'agreement classes.csv', classes, 'Age');
    await page.goto(`${page.url()}&counts=keepers`);
    await page.locator('[data-class]').first().waitFor();
    await compare(page, page.locator('figure').filter({ has: page.locator('[data-class]') }), [
        'class',
        'polygon',
        'ogive',
        'quartile',
        'box',
    ]);
});
