// How soon a place is of use, on a processor four times slower over 1.6 Mbit/s, with nothing kept from before; what moves while it comes;
// and the slowest event while somebody works: node bench/first.mjs URL [DATASET [WORDS]]
import { signedIn } from './page.mjs';

const [, , url, wanted, words = 'of=honey-yield'] = process.argv;
const BYTES_A_SECOND = (1.6e6 / 8) | 0;
const ROUND_TRIP_MS = 40;

const { browser, page } = await signedIn(url);
const dataset =
    wanted ??
    (await page.evaluate(async () => (await (await fetch('/api/datasets')).json()).find(({ title }) => title === 'Spring inspection').id));
const storage = await page.context().storageState();
await page.context().close();

/** A browser that has nothing but the session. */
async function fresh(isSlow) {
    const context = await browser.newContext({ storageState: storage, viewport: { width: 1280, height: 800 } });
    const opened = await context.newPage();
    const client = await context.newCDPSession(opened);
    await client.send('Network.enable');
    let bytes = 0;
    const requests = [];
    client.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
    client.on('Network.requestWillBeSent', ({ request }) => requests.push(request.url.replace(url, '')));
    if (isSlow) {
        await client.send('Network.emulateNetworkConditions', {
            offline: false,
            latency: ROUND_TRIP_MS,
            downloadThroughput: BYTES_A_SECOND,
            uploadThroughput: BYTES_A_SECOND,
        });
        await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    }
    await opened.addInitScript(() => {
        // Looked for by the page itself: whoever looks from outside is slowed down with it.
        window.seenAt = null;
        window.lookFor = (what) => {
            const look = () => {
                const found = document.querySelector(what);
                if (window.seenAt === null && found !== null && (found.textContent ?? '') !== '') {
                    requestAnimationFrame(() => setTimeout(() => (window.seenAt ??= performance.now())));
                }
            };
            new MutationObserver(look).observe(document, { childList: true, subtree: true, characterData: true });
        };
        window.shifts = [];
        new PerformanceObserver((list) => {
            for (const entry of list.getEntries()) {
                if (!entry.hadRecentInput) {
                    window.shifts.push({
                        value: entry.value,
                        at: Math.round(entry.startTime),
                        who: entry.sources
                            .slice(0, 2)
                            .map(({ node }) => node?.nodeName + '.' + (node?.className ?? '').toString().slice(0, 40)),
                    });
                }
            }
        }).observe({ type: 'layout-shift', buffered: true });
        window.slowest = [];
        new PerformanceObserver((list) => {
            for (const entry of list.getEntries()) {
                window.slowest.push({ name: entry.name, ms: entry.duration });
            }
        }).observe({ type: 'event', durationThreshold: 16, buffered: true });
    });
    return { opened, context, of: () => ({ bytes, requests }) };
}

/** Milliseconds from the asking until something is there and painted. */
async function until(opened, path, what) {
    await opened.addInitScript((wanted) => window.lookFor(wanted), what);
    await opened.goto(url + path, { waitUntil: 'commit' });
    await opened.waitForFunction(() => window.seenAt !== null, null, { timeout: 60_000, polling: 200 });
    return Math.round(await opened.evaluate(() => window.seenAt));
}

const places = [
    ['a figure of one variable', `/datasets/${dataset}/profile?${words}`, 'td[data-figure="mean"]'],
    ['a figure of the overview', `/datasets/${dataset}/profile`, 'td[data-figure="mean"]'],
    ['the list of datasets', '/datasets', 'a[href^="/datasets/"]'],
    ['a row', `/datasets/${dataset}/rows`, '[data-row="0"] [data-key]'],
    ['a line compared', `/datasets/${dataset}/compare`, '[aria-label="Comparison table"] td'],
];
for (const [name, path, what] of places) {
    const times = [];
    let shift, sent;
    for (let round = 0; round < 3; round += 1) {
        const { opened, context, of } = await fresh(true);
        times.push(await until(opened, path, what));
        await opened.waitForLoadState('networkidle');
        await opened.waitForTimeout(500);
        shift = await opened.evaluate(() => window.shifts);
        sent = of();
        await context.close();
    }
    const moved = shift.reduce((sum, { value }) => sum + value, 0);
    console.log(
        `${name}: ${times.sort((a, b) => a - b)[1]} ms (${times.join(', ')}), ${Math.round(sent.bytes / 1000)} kB in ${sent.requests.length} requests, layout shift ${moved.toFixed(4)}`,
    );
    for (const { value, at, who } of shift.filter(({ value }) => value > 0.001)) {
        console.log(`    ${value.toFixed(4)} at ${at} ms: ${who.join(', ')}`);
    }
    if (process.env.TELL !== undefined) {
        console.log(sent.requests.join('\n'));
    }
}

const { opened, context } = await fresh(false);
await until(opened, `/datasets/${dataset}/profile?${words}`, 'td[data-figure="mean"]');
await opened.waitForLoadState('networkidle');
const act = async (name, deed) => {
    await opened.evaluate(() => (window.slowest = []));
    await deed();
    await opened.waitForTimeout(900);
    const slowest = await opened.evaluate(() => Math.max(0, ...window.slowest.map(({ ms }) => ms)));
    console.log(`${name}: slowest event ${slowest} ms`);
};
await act('splitting by groups', async () => {
    await opened.getByRole('button', { name: /^Split by/ }).click();
    await opened.getByRole('menuitemradio').nth(1).click();
});
await act('another rule for quartiles', async () => {
    await opened.getByRole('button', { name: /^Quartiles by/ }).click();
    await opened.getByRole('menuitemradio').nth(4).click();
});
await act('the next variable', () => opened.getByRole('button', { name: 'Next', exact: true }).click());
await act('the working of a figure', () => opened.locator('th[scope="row"] button').nth(2).click());
await act('a picture more', () => opened.getByRole('button', { name: 'Box plots' }).click());
await context.close();
await browser.close();
