// Scrolls the grid of a dataset for ten seconds in headless Chromium and counts the frames that its trace says were dropped:
// node bench/scroll.mjs URL DATASET
import { signedIn } from './page.mjs';

const [, , url, dataset] = process.argv;
const { browser, page } = await signedIn(url);
await page.goto(`${url}/datasets/${dataset}/rows`);
await page.getByRole('grid', { name: 'Rows' }).waitFor();
await page.waitForTimeout(2000);
const client = await page.context().newCDPSession(page);
const events = [];
client.on('Tracing.dataCollected', ({ value }) => events.push(...value));
await client.send('Tracing.start', {
    categories: 'disabled-by-default-devtools.timeline.frame,devtools.timeline.frame',
    transferMode: 'ReportEvents',
});
const drawn = await page.evaluate(
    () =>
        new Promise((resolve) => {
            const grid = document.querySelector('[role=grid]');
            const gaps = [];
            const begin = performance.now();
            let last = begin;
            const step = (now) => {
                gaps.push(now - last);
                last = now;
                grid.scrollTop += 180;
                if (now - begin < 10_000) {
                    requestAnimationFrame(step);
                } else {
                    gaps.sort((a, b) => a - b);
                    resolve({
                        frames: gaps.length,
                        median: gaps[gaps.length >> 1],
                        p95: gaps[Math.floor(gaps.length * 0.95)],
                        late: gaps.filter((gap) => gap > 34).length,
                    });
                }
            };
            requestAnimationFrame(step);
        }),
);
const done = new Promise((resolve) => client.once('Tracing.tracingComplete', resolve));
await client.send('Tracing.end');
await done;
const named = (name) => events.filter((event) => event.name === name).length;
console.log(
    `ten seconds of scrolling, 180 px a frame: ${drawn.frames} frames, median ${drawn.median.toFixed(1)} ms, 95th ${drawn.p95.toFixed(1)} ms, ${drawn.late} later than 34 ms; trace: ${named('DroppedFrame')} dropped of ${named('BeginFrame')} begun`,
);
await browser.close();
