import { afterEach, expect, test } from 'vitest';
import { Refusal } from './client';
import { type ChangeWords, outbox, unsentText } from './outbox';

const edit = (row: number, text: string): ChangeWords => ({ kind: 'edit-cells', edits: [{ row, variable: 'kg', text }] });
const settled = () => new Promise((resolve) => setTimeout(resolve, 0));
const away = new Refusal(0, 'The server does not answer.');

/** A server for one dataset, which refuses what it is told to. */
function server(dataset: number) {
    const made: unknown[] = [];
    const refusals: (Refusal | null)[] = [];
    outbox.sendBy(dataset, ({ words }) => {
        const refusal = refusals.shift() ?? null;
        if (refusal !== null) {
            return Promise.reject(refusal);
        }
        made.push(words);
        return Promise.resolve();
    });
    return { made, refuse: (...next: (Refusal | null)[]) => refusals.push(...next) };
}

const mine = (dataset: number) => outbox.list().filter((entry) => entry.dataset === dataset);

afterEach(() => {
    for (const dataset of [1, 2, 3, 4, 5]) {
        outbox.giveUp(dataset);
        outbox.dismiss(dataset);
    }
});

test('changes are sent one after the other, in their order', async () => {
    const { made } = server(1);
    const both = Promise.all([outbox.add(1, edit(1, 'a')), outbox.add(1, edit(1, 'b'))]);
    expect(unsentText(mine(1), 1, 'kg')).toEqual({ text: 'b', isHeld: false });
    expect(await both).toEqual([true, true]);
    expect(made).toEqual([edit(1, 'a'), edit(1, 'b')]);
    expect(mine(1)).toEqual([]);
});

test('what cannot be sent is kept with all that is behind it, and is sent when it is tried again', async () => {
    const { made, refuse } = server(2);
    refuse(away);
    const first = outbox.add(2, edit(1, 'a'));
    const second = outbox.add(2, edit(2, 'b'));
    await settled();
    expect(mine(2).map(({ why }) => why)).toEqual([away.message, away.message]);
    expect(unsentText(mine(2), 1, 'kg')).toEqual({ text: 'a', isHeld: true });
    expect(unsentText(mine(2), 9, 'kg')).toBeNull();
    expect(outbox.trouble(2)).toBeNull();
    expect(made).toEqual([]);
    outbox.again();
    expect(await Promise.all([first, second])).toEqual([true, true]);
    expect(made).toEqual([edit(1, 'a'), edit(2, 'b')]);
});

test('a change that is sent again keeps its name, and no other has it', async () => {
    const names: string[] = [];
    outbox.sendBy(2, ({ name }) => {
        names.push(name);
        return names.length === 1 ? Promise.reject(away) : Promise.resolve();
    });
    const both = Promise.all([outbox.add(2, edit(1, 'a')), outbox.add(2, edit(1, 'a'))]);
    await settled();
    outbox.again();
    await both;
    expect(names).toEqual([names[0], names[0], names[2]]);
    expect(names[2]).not.toBe(names[0]);
});

test('one dataset that is held up holds up no other', async () => {
    server(3).refuse(away);
    const { made } = server(4);
    void outbox.add(3, edit(1, 'a'));
    await settled();
    expect(await outbox.add(4, edit(1, 'b'))).toBe(true);
    expect(made).toHaveLength(1);
});

test('what is refused stops and is told; of a clash also what was typed behind it', async () => {
    const { made, refuse } = server(5);
    refuse(new Refusal(422, '“many” is not a number.'));
    expect(await Promise.all([outbox.add(5, edit(1, 'many')), outbox.add(5, edit(2, '7'))])).toEqual([false, true]);
    expect(outbox.trouble(5)?.changes).toEqual([edit(1, 'many')]);
    expect(made).toEqual([edit(2, '7')]);
    outbox.dismiss(5);
    refuse(new Refusal(409, 'It has changed since.'));
    expect(await Promise.all([outbox.add(5, edit(1, '8')), outbox.add(5, edit(2, '9'))])).toEqual([false, false]);
    expect(outbox.trouble(5)?.changes).toEqual([edit(1, '8'), edit(2, '9')]);
    expect(made).toHaveLength(1);
});

test('what is given up is gone, and whoever waited for it hears so', async () => {
    server(1).refuse(away);
    const waiting = outbox.add(1, edit(1, 'a'));
    await settled();
    outbox.giveUp(1);
    expect(await waiting).toBe(false);
    expect(mine(1)).toEqual([]);
});
