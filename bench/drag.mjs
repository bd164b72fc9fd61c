// Drags the width of the classes for five seconds and moves the crosshair for five, in headless Chromium, and counts the frames drawn;
// the round trips of the bars are timed on the way: node bench/drag.mjs URL DATASET VARIABLE [WORDS]
import { signedIn } from './page.mjs';

const [, , url, dataset, variable, words = ''] = process.argv;
const SECONDS = 5;
const { browser, page } = await signedIn(url);
await page.goto(`${url}/datasets/${dataset}/profile?of=${variable}${words}`);
await page.locator('[data-handle="width"] rect').waitFor();
await page.waitForTimeout(2000);

const quantile = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
/** Moves the pointer once a frame, as a hand does, and tells how far apart the frames came. */
async function frames(selector, from, to, y, isDrag) {
    const gaps = await page.evaluate(
        ({ selector, from, to, y, isDrag, seconds }) =>
            new Promise((resolve) => {
                const target = document.querySelector(selector);
                const send = (type, x) =>
                    target.dispatchEvent(
                        new PointerEvent(type, {
                            bubbles: true,
                            cancelable: true,
                            clientX: x,
                            clientY: y,
                            pointerId: 1,
                            button: 0,
                            buttons: 1,
                        }),
                    );
                target.setPointerCapture = () => undefined;
                if (isDrag) {
                    send('pointerdown', from);
                }
                const gaps = [];
                const begin = performance.now();
                let last = begin;
                const step = (now) => {
                    gaps.push(now - last);
                    last = now;
                    const turn = ((now - begin) / 2500) % 2;
                    send('pointermove', from + (to - from) * (turn < 1 ? turn : 2 - turn));
                    if (now - begin < seconds * 1000) {
                        requestAnimationFrame(step);
                    } else {
                        if (isDrag) {
                            send('pointerup', from);
                        }
                        resolve(gaps);
                    }
                };
                requestAnimationFrame(step);
            }),
        { selector, from, to, y, isDrag, seconds: SECONDS },
    );
    gaps.sort((a, b) => a - b);
    return `${(gaps.length / SECONDS).toFixed(1)} frames a second, median ${quantile(gaps, 0.5).toFixed(1)} ms, 95th ${quantile(gaps, 0.95).toFixed(1)} ms`;
}

const trips = [];
const server = [];
page.on('requestfinished', async (request) => {
    if (request.url().includes('/plots/stack')) {
        const timing = request.timing();
        trips.push(timing.responseEnd);
        const said = (await (await request.response())?.headerValue('server-timing')) ?? '';
        server.push(Number(said.split('dur=')[1]));
    }
});
const handle = await page.locator('[data-handle="width"] rect').boundingBox();
const at = [handle.x + handle.width / 2, handle.y + handle.height / 2];
console.log(`dragging the width of the classes: ${await frames('[data-handle="width"]', at[0], at[0] + 60, at[1], true)}`);
await page.waitForTimeout(500);
trips.sort((a, b) => a - b);
server.sort((a, b) => a - b);
console.log(
    `  bars followed ${trips.length} times: round trip median ${quantile(trips, 0.5).toFixed(0)} ms, 95th ${quantile(trips, 0.95).toFixed(0)} ms; server ${quantile(server, 0.5).toFixed(1)} and ${quantile(server, 0.95).toFixed(1)} ms`,
);
const picture = await page.locator('figure svg[role="img"]').first().boundingBox();
const marks = await page.locator('figure svg[role="img"]').first().locator('rect, circle, path').count();
console.log(
    `moving the crosshair over ${marks} marks: ${await frames('figure svg[role="img"]', picture.x + 130, picture.x + picture.width - 40, picture.y + 150, false)}`,
);
await browser.close();
