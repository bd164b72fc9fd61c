// How long a large file takes from its first part to its figures, and what memory: node bench/large.mjs URL FILE [DATASET]
// (with DATASET nothing is uploaded). Each answer is asked for twice: cold, and once more.
import { createHash } from 'node:crypto';
import { open, stat } from 'node:fs/promises';
import { get } from 'node:http';
import { basename } from 'node:path';
import { signedIn } from './page.mjs';

const [, , url, file, given] = process.argv;
const PART_BYTES = 16 << 20;

const { browser, page } = await signedIn(url);
const cookies = await page.context().cookies();
const heads = {
    Accept: 'application/json',
    Cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; '),
    'X-XSRF-TOKEN': decodeURIComponent(cookies.find(({ name }) => name === 'XSRF-TOKEN').value),
};
await browser.close();
const ask = async (method, path, body, more = {}) => {
    const answer = await fetch(`${url}/api${path}`, {
        method,
        headers: { ...heads, ...(body === undefined || Buffer.isBuffer(body) ? {} : { 'Content-Type': 'application/json' }), ...more },
        body: body === undefined || Buffer.isBuffer(body) ? body : JSON.stringify(body),
    });
    const text = await answer.text();
    if (!answer.ok) {
        throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 300)}`);
    }
    return text === '' ? null : JSON.parse(text);
};
const timed = async (what, deed) => {
    const from = performance.now();
    const answer = await deed();
    console.log(`${what}: ${((performance.now() - from) / 1000).toFixed(2)} s`);
    return answer;
};

let dataset = given;
if (dataset === undefined) {
    const { size } = await stat(file);
    const upload = await ask('POST', '/uploads', undefined, {
        'Upload-Length': String(size),
        'Upload-Metadata': `filename ${Buffer.from(basename(file)).toString('base64')}`,
    });
    await timed(`sent in parts, ${Math.round(size / 1e6)} MB`, async () => {
        const from = await open(file);
        const part = Buffer.alloc(PART_BYTES);
        for (let offset = 0; offset < size;) {
            const { bytesRead } = await from.read(part, 0, PART_BYTES, offset);
            const bytes = part.subarray(0, bytesRead);
            await ask('PATCH', `/uploads/${upload.id}`, bytes, {
                'Content-Type': 'application/offset+octet-stream',
                'Upload-Offset': String(offset),
                'Upload-Checksum': `sha256 ${createHash('sha256').update(bytes).digest('base64')}`,
            });
            offset += bytesRead;
        }
        await from.close();
    });
    const begun = await timed('looked at', () => ask('POST', '/imports', { upload: upload.id, begin: true }));
    const done = await timed('brought in', async () => {
        for (;;) {
            const now = await ask('GET', `/imports/${begun.id}`);
            if (!['queued', 'running'].includes(now.status)) {
                return now;
            }
            await new Promise((wake) => setTimeout(wake, 500));
        }
    });
    console.log(JSON.stringify({ status: done.status, error: done.error, rows: done.rows_read, measured: done.measured }));
    dataset = done.dataset?.id ?? done.dataset_id;
}
const { variables, rows, revision } = await ask('GET', `/datasets/${dataset}`);
console.log(`dataset ${dataset}: ${rows} rows of ${variables.length} variables`);
const number = variables.find(({ type }) => type === 'number').key;
const split = variables.find(({ type }) => type === 'category').key;
const above = `${variables.find(({ key }) => key === number).name} > ${(await ask('GET', `/datasets/${dataset}/profile?of=${number}`)).sheets[0].figures.find(({ key }) => key === 'q3').values[0].value}`;
const questions = {
    'one variable': `/profile?of=${number}`,
    'by group': `/profile?of=${number}&by=${split}`,
    'under a condition': `/profile?of=${number}&where=${encodeURIComponent(above)}`,
    overview: '/overview',
    ...Object.fromEntries(
        ['stack', 'strips', 'boxes', 'stems', 'dots', 'steps', 'qq', 'tenths', 'against'].map((kind) => [
            `${kind}, drawn`,
            `/plots/${kind}?of=${number}&by=${split}`,
        ]),
    ),
    'what it says': `/readings?of=${number}&by=${split}`,
    judged: `/judged?of=${number}&by=${split}`,
    'two groups compared': `/compared?what=groups&of=${number}&by=${split}`,
    'where a number comes from': `/matches?of=${number}&stated=23.5`,
    'working of a quartile': `/working?of=${number}&figure=q1`,
    'entry check': '/check',
    'first rows': '/rows?from=1&count=60',
    'last rows': `/rows?from=${rows - 60}&count=60`,
    ordered: `/rows?sort=${number}:down&from=1&count=60`,
    'ordered by a label': `/rows?sort=${split}&from=1&count=60`,
    'ordered by a text': `/rows?sort=${variables.find(({ type }) => type === 'text' || type === 'id')?.key ?? split}&from=1&count=60`,
    'a text that is nowhere': `/rows/find?from=0&text=nowhere+at+all`,
    'a number that is nowhere': `/rows/find?from=0&text=98765432.1`,
    'a text in order': `/rows/find?sort=${number}:down&from=0&text=nowhere`,
    filtered: `/rows?where=${encodeURIComponent(above)}&from=1&count=60`,
};
for (const [what, path] of Object.entries(questions)) {
    for (const time of ['cold', 'again']) {
        await timed(`${what}, ${time}`, () => ask('GET', `/datasets/${dataset}${path}`)).catch((error) =>
            console.log(`${what}: ${error.message}`),
        );
    }
}
for (const [what, words] of Object.entries({ 'as entered': '', 'in another order': `&sort=${number}:down` })) {
    await timed(`taken out as CSV, ${what}`, async () => {
        // Not by fetch(), which waits five minutes for a first byte and no longer.
        const bytes = await new Promise((resolve, reject) => {
            get(`${url}/api/datasets/${dataset}/export?format=csv${words}`, { headers: heads }, (answer) => {
                let received = 0;
                answer.on('data', (block) => (received += block.length)).on('end', () => resolve(received));
            }).on('error', reject);
        });
        console.log(`${Math.round(bytes / 1e6)} MB`);
    });
}
await timed('a cell changed', () =>
    ask('POST', `/datasets/${dataset}/changes`, {
        revision,
        kind: 'edit-cells',
        edits: [{ row: rows >> 1, variable: number, text: '3000.5' }],
    }),
);
await timed('rows set aside', async () => {
    const now = await ask('GET', `/datasets/${dataset}`);
    await ask('POST', `/datasets/${dataset}/changes`, {
        revision: now.revision,
        kind: 'set-aside',
        rows: [5, 500, 5000],
        reason: 'scales fell over',
    });
}).catch((error) => console.log(error.message));
await timed('one variable, after the change', () => ask('GET', `/datasets/${dataset}${questions['one variable']}`));
