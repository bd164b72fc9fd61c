#!/usr/bin/env node
/*
 * The people of bench/load. Each has a dataset of their own (the demo inspection) and a part in one that six share (20,000 rows); what
 * comes next and when is decided beforehand, 0.4 to 1.2 seconds apart, and asked then, whether what was asked before is answered or
 * not: a server that falls behind gets no rest. A time is from when it was due to the last byte of its answer. Every three seconds the
 * page also asks who else is there. A person has six connections, as a browser has; what finds none waits for one, and its time goes on. A change that meets another's (409) is made once more on what is there by then.
 * At the end every change that was answered is looked for, by its number and by what stands in its cell.
 */
import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';

const [base, people, seconds, large, small] = [
    process.argv[2],
    Number(process.argv[3]),
    Number(process.argv[4]),
    process.argv[5],
    process.argv[6],
];
const SHARED_BY = 6;
const CONNECTIONS = 6;
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const took = new Map();
const errors = new Map();
let clashes = 0;
let isMeasured = false;

function note(kind, ms) {
    if (isMeasured) {
        took.get(kind)?.push(ms) ?? took.set(kind, [ms]);
    }
}

function wrong(what) {
    errors.set(what, (errors.get(what) ?? 0) + 1);
}

class Person {
    cookies = new Map();
    open = 0;
    waiting = [];
    isChanging = false;

    constructor(number) {
        this.number = number;
        this.email = `load-${number}@rowtally.example`;
    }

    async send(method, path, body, form) {
        while (this.open >= CONNECTIONS) {
            await new Promise((resolve) => this.waiting.push(resolve));
        }
        ++this.open;
        try {
            return await this.sendNow(method, path, body, form);
        } finally {
            --this.open;
            this.waiting.shift()?.();
        }
    }

    async sendNow(method, path, body, form) {
        const answer = await fetch(`${base}/api${path}`, {
            method,
            headers: {
                Accept: 'application/json',
                ...(form === undefined ? { 'Content-Type': 'application/json' } : {}),
                ...(method === 'POST' && path.endsWith('/changes') ? { 'Idempotency-Key': `${this.number}-${Math.random()}` } : {}),
                Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
                'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
            },
            body: form ?? (body === undefined ? undefined : JSON.stringify(body)),
        });
        const text = await answer.text();
        for (const cookie of answer.headers.getSetCookie()) {
            const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
            this.cookies.set(name, value);
        }
        return { status: answer.status, body: answer.headers.get('content-type')?.includes('json') ? JSON.parse(text) : text };
    }

    /** What must go well before anything is measured. */
    async must(method, path, body, form) {
        const answer = await this.send(method, path, body, form);
        if (answer.status >= 400) {
            throw new Error(`${method} ${path}: ${answer.status} ${JSON.stringify(answer.body)}`);
        }
        return answer.body;
    }

    async signIn() {
        await this.must('GET', '/session');
        await this.must('POST', '/session', { email: this.email, password: 'load-and-load' });
    }

    async bringIn(file, title) {
        const form = new FormData();
        form.set('file', new Blob([readFileSync(file)]), file.split('/').at(-1));
        form.set('title', title);
        form.set('begin', '1');
        let now = await this.must('POST', '/imports', undefined, form);
        while (['queued', 'running'].includes(now.status)) {
            await pause(200);
            now = await this.must('GET', `/imports/${now.id}`);
        }
        return { id: now.dataset_id, revision: 1, rows: now.rows_read, changes: [], cells: new Map() };
    }

    async ask(kind, due, method, path, body) {
        let answer;
        try {
            answer = await this.send(method, path, body);
        } catch (error) {
            answer = { status: 0, body: String(error) };
        }
        note(kind, performance.now() - due);
        // The cell may hold by chance what is written into it.
        const isAsBefore = answer.status === 422 && answer.body.findings?.[0]?.code === 'no-change';
        if (answer.status !== 200 && answer.status !== 201 && answer.status !== 409 && !isAsBefore) {
            wrong(`${kind} ${answer.status} ${JSON.stringify(answer.body).slice(0, 150)}`);
        }
        return answer;
    }

    async change(due, dataset, variable) {
        const row = 1 + Math.floor(Math.random() * dataset.rows);
        const text = String(10 + Math.floor(Math.random() * 30));
        for (let tries = 0; tries < 20; ++tries) {
            const answer = await this.ask(
                tries === 0 ? 'change' : 'change again',
                tries === 0 ? due : performance.now(),
                'POST',
                `/datasets/${dataset.id}/changes`,
                {
                    revision: dataset.revision,
                    kind: 'edit-cells',
                    edits: [{ row, variable, text }],
                },
            );
            if (answer.status === 201) {
                dataset.revision = Math.max(dataset.revision, answer.body.revision);
                dataset.changes.push({ revision: answer.body.revision, by: this.email, row, variable, text });
                return;
            }
            if (answer.status !== 409) {
                return;
            }
            ++clashes;
            dataset.revision = Math.max(dataset.revision, answer.body.revision ?? 0);
        }
        wrong('a change clashed twenty times');
    }

    /** What a person does next: mostly reading, on what is theirs and on what is shared. */
    next(due) {
        const isShared = Math.random() < 0.5;
        const dataset = isShared ? this.shared : this.own;
        const pick = (list) => list[Math.floor(Math.random() * list.length)];
        const of = pick(isShared ? ['weight', 'temperature', 'humidity'] : ['honey-yield', 'autumn-weight', 'spring-weight']);
        const by = isShared ? 'apiary' : pick(['apiary', 'hive-type']);
        const at = `/datasets/${dataset.id}`;
        const where = encodeURIComponent(
            isShared ? `Humidity > ${30 + Math.floor(Math.random() * 40)}` : `"Honey yield" > ${10 + Math.floor(Math.random() * 10)}`,
        );
        const dice = Math.random();
        // Whoever waits for a change to be made reads on meanwhile, and begins no other.
        if (dice < 0.12 && !this.isChanging) {
            this.isChanging = true;
            return this.change(due, dataset, of).finally(() => {
                this.isChanging = false;
            });
        }
        const [kind, path] =
            dice < 0.3
                ? ['profile', `${at}/profile?of=${of}&by=${by}`]
                : dice < 0.36
                  ? ['profile, a condition', `${at}/profile?of=${of}&by=${by}&where=${where}`]
                  : dice < 0.4
                    ? ['profile, groups in groups', `${at}/profile?of=${of}&by=${by},${isShared ? 'humidity' : 'queen-year'}`]
                    : dice < 0.55
                      ? ['picture', `${at}/plots/stack?of=${of}&by=${by}`]
                      : dice < 0.75
                        ? ['rows', `${at}/rows?from=${Math.floor(Math.random() * dataset.rows)}&count=100`]
                        : dice < 0.8
                          ? ['rows, ordered', `${at}/rows?sort=${of}&count=100`]
                          : dice < 0.88
                            ? ['overview', `${at}/overview`]
                            : dice < 0.94
                              ? ['dataset', at]
                              : dice < 0.97
                                ? ['readings', `${at}/readings?of=${of}`]
                                : ['list', '/datasets'];
        return this.ask(kind, due, 'GET', path);
    }

    async work(from, until) {
        const under = [];
        let due = from + 800 * Math.random();
        while (due < until) {
            await pause(due - performance.now());
            under.push(this.next(due));
            due += 400 + 800 * Math.random();
        }
        await Promise.all(under);
    }

    /** Three seconds after the last answer, as the page does. */
    async beThere(until) {
        await pause(3000 * Math.random());
        while (performance.now() < until) {
            await this.ask('who is there', performance.now(), 'POST', `/datasets/${this.shared.id}/here`, { place: 'profile' });
            await pause(3000);
        }
    }
}

/** Asks six heavy questions at once until the end: conditions that leave most of a million rows, each for the first time. */
async function askHeavily(person, dataset, until) {
    let number = 0;
    const one = async () => {
        while (performance.now() < until()) {
            const where = encodeURIComponent(`Humidity > ${10 + (++number % 30)} and Weight > ${number / 1000}`);
            await person.ask('heavy', performance.now(), 'GET', `/datasets/${dataset.id}/profile?of=weight&by=apiary&where=${where}`);
        }
    };
    await Promise.all(Array.from({ length: CONNECTIONS }, one));
}

const everybody = Array.from({ length: people }, (_, number) => new Person(number + 1));
const shared = [];
for (const person of everybody) {
    await person.signIn();
    person.own = await person.bringIn(small, `Inspection of ${person.number}`);
    if ((person.number - 1) % SHARED_BY === 0) {
        shared.push(await person.bringIn(large, `Readings of ${person.number}`));
        person.owns = shared.at(-1);
    } else {
        const owner = everybody[Math.floor((person.number - 1) / SHARED_BY) * SHARED_BY];
        const { id } = await owner.must('POST', `/datasets/${shared.at(-1).id}/shares`, { email: person.email, role: 'editor' });
        await person.must('POST', `/shares/${id}/take`);
    }
    person.shared = shared.at(-1);
}
console.log(`${people} people, ${shared.length} shared datasets of ${shared[0].rows} rows, ${seconds} s`);
let heavy = null;
if (process.argv[7] !== '' && process.argv[7] !== undefined) {
    heavy = new Person(0);
    await heavy.signIn();
    heavy.own = await heavy.bringIn(process.argv[7], 'A million');
}
isMeasured = true;
const began = performance.now();
const cpu = process.cpuUsage();
const isHeavy = heavy === null ? null : askHeavily(heavy, heavy.own, () => began + seconds * 1000);
await Promise.all(everybody.flatMap((person) => [person.work(began, began + seconds * 1000), person.beThere(began + seconds * 1000)]));
await isHeavy;
const lasted = (performance.now() - began) / 1000;
isMeasured = false;

const READING = ([kind]) => !kind.startsWith('change') && kind !== 'heavy';
const all = [...took];
const rows = [...all, ['reading', all.filter(READING).flatMap(([, times]) => times)], ['all', all.flatMap(([, times]) => times)]];
const at = (times, share) => String(Math.round(times[Math.min(times.length - 1, Math.floor(share * times.length))])).padStart(6);
console.log(
    `${'ms'.padEnd(26)} ${'n'.padStart(7)} ${'50 %'.padStart(6)} ${'95 %'.padStart(6)} ${'99 %'.padStart(6)} ${'most'.padStart(6)}`,
);
for (const [kind, times] of rows) {
    const ordered = times.toSorted((a, b) => a - b);
    console.log(
        `${kind.padEnd(26)} ${String(times.length).padStart(7)} ${at(ordered, 0.5)} ${at(ordered, 0.95)} ${at(ordered, 0.99)} ${at(ordered, 1)}`,
    );
}
const used = process.cpuUsage(cpu);
console.log(
    `${(rows.at(-1)[1].length / lasted).toFixed(1)} requests a second; ${clashes} changes met another's and were made again; the client took ${(((used.user + used.system) / 1e6 / lasted) * 100).toFixed(0)} % of a core`,
);

let lost = 0;
for (const person of everybody) {
    for (const dataset of person.owns === undefined ? [person.own] : [person.own, person.owns]) {
        const { revision } = await person.must('GET', `/datasets/${dataset.id}`);
        if (revision !== dataset.changes.length + 1) {
            console.log(`dataset ${dataset.id} is at revision ${revision} after ${dataset.changes.length} changes`);
            lost += Math.abs(revision - 1 - dataset.changes.length);
        }
        const last = new Map();
        for (const change of dataset.changes.toSorted((a, b) => a.revision - b.revision)) {
            last.set(`${change.row} ${change.variable}`, change);
        }
        for (const { row, variable, text } of last.values()) {
            const { cells } = await person.must('GET', `/datasets/${dataset.id}/rows?of=${variable}&from=${row - 1}&count=1`);
            if (Number(cells[variable][0]) !== Number(text)) {
                console.log(`dataset ${dataset.id}, row ${row}, ${variable}: ${cells[variable][0]}, not ${text}`);
                ++lost;
            }
        }
    }
}
for (const [what, count] of errors) {
    console.log(`ERROR ${count} × ${what}`);
}
console.log(`${errors.size === 0 ? 'no errors' : 'ERRORS'}; ${lost === 0 ? 'nothing lost' : `${lost} LOST`}`);
process.exitCode = errors.size === 0 && lost === 0 ? 0 : 1;
