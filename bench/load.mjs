#!/usr/bin/env node
/*
 * Many people at once: each signs in, then looks at datasets, profiles, rows and pictures of the demo data and changes a cell now and
 * then, with pauses of one to three seconds between. Says the median and the 95th percentile of each kind, by the client's clock.
 *
 *   node bench/load.mjs [USERS=30] [SECONDS=60]      against the instance that ./start runs (ROWTALLY_URL for another)
 */
const [users = 30, seconds = 60] = process.argv.slice(2).map(Number);
const base = process.env.ROWTALLY_URL ?? 'http://127.0.0.1:8740';
const took = new Map();
const refused = new Map();
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

class Person {
    cookies = new Map();

    async ask(kind, method, path, body) {
        const began = performance.now();
        const answer = await fetch(`${base}/api${path}`, {
            method,
            headers: {
                Accept: 'application/json',
                'Content-Type': 'application/json',
                Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
                'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
            },
            body: body === undefined ? undefined : JSON.stringify(body),
        });
        const text = await answer.text();
        for (const cookie of answer.headers.getSetCookie()) {
            const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
            this.cookies.set(name, value);
        }
        took.set(kind, [...(took.get(kind) ?? []), performance.now() - began]);
        if (answer.status >= 400 && answer.status !== 409) {
            refused.set(`${kind} ${answer.status}`, (refused.get(`${kind} ${answer.status}`) ?? 0) + 1);
        }
        return answer.status < 300 && answer.headers.get('content-type')?.includes('json') ? JSON.parse(text) : null;
    }
}

async function work(until, number) {
    const person = new Person();
    await pause(number * 60);
    await person.ask('session', 'GET', '/session');
    await person.ask('signing in', 'POST', '/session', { email: 'demo@rowtally.example', password: 'fenmoor' });
    const datasets = (await person.ask('list', 'GET', '/datasets')) ?? [];
    while (Date.now() < until) {
        const { id } = datasets[Math.floor(Math.random() * datasets.length)];
        const dataset = await person.ask('dataset', 'GET', `/datasets/${id}`);
        const numbers = dataset.variables.filter(({ type }) => type === 'number').map(({ key }) => key);
        const categories = dataset.variables.filter(({ type }) => type === 'category').map(({ key }) => key);
        const of = numbers[Math.floor(Math.random() * numbers.length)];
        const by = categories[0] ?? '';
        for (const [kind, method, path, body] of [
            ['overview', 'GET', `/datasets/${id}/overview`],
            ['profile', 'GET', `/datasets/${id}/profile?of=${of}&by=${by}`],
            ['profile', 'GET', `/datasets/${id}/profile?of=${of}&by=${by}&quartiles=hf7&as=population`],
            ['picture', 'GET', `/datasets/${id}/plots/stack?of=${of}`],
            ['rows', 'GET', `/datasets/${id}/rows?from=0&count=200`],
            ['change', 'POST', `/datasets/${id}/changes`, { revision: dataset.revision, kind: 'undo' }],
        ]) {
            if (Date.now() < until && of !== undefined) {
                await person.ask(kind, method, path, body);
                await pause(1000 + 2000 * Math.random());
            }
        }
    }
}

const until = Date.now() + seconds * 1000;
await Promise.all(Array.from({ length: users }, (_, number) => work(until, number)));
const all = [...took.values()].flat();
for (const [kind, times] of [...took, ['all', all]]) {
    const ordered = [...times].sort((a, b) => a - b);
    const at = (share) => Math.round(ordered[Math.min(ordered.length - 1, Math.floor(share * ordered.length))]);
    console.log(
        `${kind.padEnd(12)} ${String(times.length).padStart(6)}   median ${String(at(0.5)).padStart(5)} ms   95 % ${String(at(0.95)).padStart(5)} ms`,
    );
}
console.log(refused.size === 0 ? 'nothing refused' : JSON.stringify([...refused]));
