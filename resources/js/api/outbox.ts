import { useSyncExternalStore } from 'react';
import { Refusal, signedIn } from './client';
import { newName } from './once';

export interface ChangeWords {
    kind: string;
    [word: string]: unknown;
}

export interface Trouble {
    /** What was refused, and what was waiting behind it. */
    changes: ChangeWords[];
    refusal: Refusal;
}

/** A change that is not known to have been made. */
export interface Unsent {
    id: number;
    dataset: number;
    words: ChangeWords;
    /** The same each time it is sent: one that was made without its answer having come is not made again. */
    name: string;
    /** The revision it was sent on top of; null = not sent yet. */
    revision: number | null;
    /** Why it could not be sent; null = on its way. */
    why: string | null;
    /** It was answered, and stays in sight until what is shown has it: a page that is loaded anew does not send it again. */
    isMade?: boolean;
}

/** Sends one change; a refusal is thrown. It says on top of which revision, and when it was made. */
type Send = (change: Unsent, sentOn: (revision: number) => void, made: () => void) => Promise<void>;

const KEPT = 'row-tally-unsent';
const TRY_AGAIN_MS = 5000;

/**
 * Changes on their way to the server, each on top of the one before. What cannot be sent, because the server is away or the session has
 * ended, stays here and is sent again: when the page is left for another, loaded anew, or signed in to. What is refused stops there,
 * with what was waiting behind it, for the person to decide about.
 */
class Outbox {
    private unsent: Unsent[] = restored();
    private troubles: (Trouble & { dataset: number })[] = [];
    private readonly settled = new Map<number, (isMade: boolean) => void>();
    private readonly listeners = new Set<() => void>();
    private readonly senders = new Map<number, Send>();
    private isSending = false;
    private nextId = Math.max(0, ...this.unsent.map(({ id }) => id)) + 1;

    constructor() {
        // Elsewhere than in a browser there is nothing to wait for.
        if (typeof window !== 'undefined') {
            window.addEventListener('online', () => this.again());
            signedIn.addEventListener('signed-in', () => this.again());
            setInterval(() => document.visibilityState === 'visible' && this.again(), TRY_AGAIN_MS);
        }
    }

    subscribe = (listener: () => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    list = () => this.unsent;

    anyTrouble = () => this.troubles[0] ?? null;

    trouble = (dataset: number) => this.troubles.find((trouble) => trouble.dataset === dataset) ?? null;

    /** Who sends the changes of a dataset. */
    sendBy(dataset: number, send: Send): void {
        this.senders.set(dataset, send);
    }

    /** Takes a change; the answer comes when it was made (true), or refused or given up (false). */
    add(dataset: number, words: ChangeWords): Promise<boolean> {
        const id = this.nextId++;
        this.set([...this.unsent, { id, dataset, words, name: newName(), revision: null, why: null }]);
        const settled = new Promise<boolean>((resolve) => this.settled.set(id, resolve));
        void this.run();
        return settled;
    }

    /** What could not be sent is sent now. */
    again(): void {
        if (this.unsent.some(({ why }) => why !== null)) {
            this.set(this.unsent.map((entry) => ({ ...entry, why: null })));
            void this.run();
        }
    }

    giveUp(dataset: number): void {
        const gone = this.unsent.filter((entry) => entry.dataset === dataset && entry.why !== null);
        this.set(this.unsent.filter((entry) => !gone.includes(entry)));
        gone.forEach(({ id }) => this.settle(id, false));
    }

    refuse(dataset: number, refusal: Refusal, changes: ChangeWords[] = []): void {
        this.troubles = [...this.troubles.filter((trouble) => trouble.dataset !== dataset), { dataset, changes, refusal }];
        this.tell();
    }

    dismiss(dataset: number): void {
        this.troubles = this.troubles.filter((trouble) => trouble.dataset !== dataset);
        this.tell();
    }

    private async run(): Promise<void> {
        if (this.isSending) {
            return;
        }
        this.isSending = true;
        for (let entry = this.next(); entry !== undefined; entry = this.next()) {
            const send = this.senders.get(entry.dataset);
            if (send === undefined) {
                break;
            }
            await this.send(entry, send);
        }
        this.isSending = false;
    }

    /** The first that is not held up by another of its dataset. */
    private next(): Unsent | undefined {
        const heldUp = new Set(this.unsent.filter(({ why }) => why !== null).map(({ dataset }) => dataset));
        return this.unsent.find(({ dataset, why }) => why === null && !heldUp.has(dataset) && this.senders.has(dataset));
    }

    private async send(entry: Unsent, send: Send): Promise<void> {
        try {
            await send(
                entry,
                (revision) => this.change(entry.id, { revision }),
                () => this.change(entry.id, { isMade: true }),
            );
            this.remove(entry.id, true);
        } catch (reason) {
            const refusal = reason instanceof Refusal ? reason : new Refusal(0, String(reason));
            if (refusal.isPassing) {
                this.hold(entry.dataset, refusal.message);
                return;
            }
            const behind = this.unsent.filter((other) => other.dataset === entry.dataset && other.id !== entry.id);
            // Of a clash all stops: what was typed before it was seen must not slip in after it.
            const stopped = refusal.status === 409 ? behind : [];
            this.refuse(entry.dataset, refusal, [entry.words, ...stopped.map(({ words }) => words)]);
            [entry, ...stopped].forEach(({ id }) => this.remove(id, false));
        }
    }

    private hold(dataset: number, why: string): void {
        this.set(this.unsent.map((entry) => (entry.dataset === dataset ? { ...entry, why } : entry)));
    }

    private change(id: number, what: Partial<Unsent>): void {
        this.set(this.unsent.map((entry) => (entry.id === id ? { ...entry, ...what } : entry)));
    }

    private remove(id: number, isMade: boolean): void {
        this.set(this.unsent.filter((entry) => entry.id !== id));
        this.settle(id, isMade);
    }

    private settle(id: number, isMade: boolean): void {
        this.settled.get(id)?.(isMade);
        this.settled.delete(id);
    }

    private set(unsent: Unsent[]): void {
        this.unsent = unsent;
        try {
            sessionStorage.setItem(KEPT, JSON.stringify(unsent));
        } catch {
            // A full or forbidden store: then a page that is loaded anew has it no more, and asks before.
        }
        this.tell();
    }

    private tell(): void {
        this.listeners.forEach((listener) => listener());
    }
}

function restored(): Unsent[] {
    try {
        const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? '[]') as Unsent[];
        return kept
            .filter(({ isMade }) => isMade !== true)
            .map((entry) => ({ ...entry, why: entry.why ?? 'The page was loaded anew before it was answered.' }));
    } catch {
        return [];
    }
}

export const outbox = new Outbox();

/** What is on its way for a dataset. */
export function useUnsent(dataset: number): Unsent[] {
    const all = useSyncExternalStore(outbox.subscribe, outbox.list);
    return all.filter((entry) => entry.dataset === dataset);
}

export function useTrouble(dataset: number): Trouble | null {
    return useSyncExternalStore(outbox.subscribe, () => outbox.trouble(dataset));
}

/** The text that was typed into a cell and is not known to be there. */
export function unsentText(unsent: Unsent[], row: number, variable: string): { text: string; isHeld: boolean } | null {
    for (const { words, why } of [...unsent].reverse()) {
        const edits = words.kind === 'edit-cells' ? (words.edits as { row: number; variable: string; text: string }[]) : [];
        const edit = edits.find((one) => one.row === row && one.variable === variable);
        if (edit !== undefined) {
            return { text: edit.text, isHeld: why !== null };
        }
    }
    return null;
}
