/** Most answers are there by then; of the others it is asked how far they are. */
const ASK_AFTER_MS = 1000;
const ASK_EVERY_MS = 600;
const ASKED_AT_ONCE = 3;
/** Of a link nothing else tells whether it is answered: where nothing was told of it for so long it was quick. */
const GIVEN_UP_AFTER_MS = 6000;

export interface HowFar {
    name: string;
    what: string;
    share: number;
}

interface Asked {
    since: number;
    /** When something was last told of it. */
    told: number | null;
    isLink: boolean;
}

/** What has been asked of the server and not been answered yet, and how far the oldest of it is. */
export class Underway {
    private readonly open = new Map<string, Asked>();
    private readonly names = new WeakMap<Request, string>();
    private readonly listeners = new Set<() => void>();
    private now: HowFar | null = null;
    private timer: ReturnType<typeof setTimeout> | null = null;

    constructor(private readonly look: (name: string) => Promise<{ what: string | null; share: number | null }>) {}

    subscribe = (listener: () => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    shown = () => this.now;

    /** All that takes long: of one view several parts may be waited for. */
    long = () => [...this.open].filter(([, { since }]) => Date.now() - since >= ASK_AFTER_MS).map(([name]) => name);

    asked(request: Request, name: string): void {
        this.names.set(request, name);
        this.begin(name, false);
    }

    /** Its name, where it took long. */
    ended(request: Request): string | null {
        const name = this.names.get(request) ?? '';
        const asked = this.open.get(name);
        this.end(name);
        return asked !== undefined && Date.now() - asked.since >= ASK_AFTER_MS ? name : null;
    }

    /** A file that the browser fetches by itself. */
    follow(name: string): void {
        this.begin(name, true);
    }

    private begin(name: string, isLink: boolean): void {
        this.open.set(name, { since: Date.now(), told: null, isLink });
        this.timer ??= setTimeout(() => void this.ask(), ASK_AFTER_MS);
    }

    private end(name: string): void {
        this.open.delete(name);
        if (this.now?.name === name) {
            this.show(null);
        }
        if (this.open.size === 0 && this.timer !== null) {
            clearTimeout(this.timer);
            this.timer = null;
        }
    }

    private async ask(): Promise<void> {
        for (const name of this.long().slice(0, ASKED_AT_ONCE)) {
            const asked = this.open.get(name);
            try {
                const { what, share } = await this.look(name);
                if (what !== null && share !== null && asked !== undefined && this.open.has(name)) {
                    asked.told = Date.now();
                    this.show({ name, what, share });
                    break;
                }
            } catch {
                // The answer itself tells what is the matter.
            }
            if (asked?.isLink === true && (asked.told !== null || Date.now() - asked.since > GIVEN_UP_AFTER_MS)) {
                this.end(name);
            }
        }
        this.timer = this.open.size === 0 ? null : setTimeout(() => void this.ask(), ASK_EVERY_MS);
    }

    private show(now: HowFar | null): void {
        this.now = now;
        this.listeners.forEach((listener) => listener());
    }
}

export const underway = new Underway(async (name) => {
    const answer = await fetch(`/api/underway/${name}`, { headers: { Accept: 'application/json' } });
    return (await answer.json()) as { what: string | null; share: number | null };
});
