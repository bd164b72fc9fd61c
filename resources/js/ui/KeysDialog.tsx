import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { Button } from './Button';
import { areOn, isTakenBy, OTHER_KEYS, SHORTCUTS, pressMarked, switchShortcuts } from './shortcuts';
import { tell } from './told';

const OPEN = 'row-tally-keys';

/** Shows all keys of the place. */
export function showKeys(): void {
    window.dispatchEvent(new Event(OPEN));
}

/** Listens to the keys of the screens, and shows them all by `?`. */
export function Keys() {
    const [isOpen, setIsOpen] = useState(false);
    const [isOn, setIsOn] = useState(areOn);
    useEffect(() => {
        const press = (event: KeyboardEvent) => {
            if (event.defaultPrevented || event.ctrlKey || event.metaKey || isTakenBy(document.activeElement) || !areOn()) {
                return;
            }
            if (event.key === '?') {
                event.preventDefault();
                setIsOpen(true);
                return;
            }
            const shortcut = SHORTCUTS.find(({ key }) => key === event.key);
            if (shortcut !== undefined && document.querySelector('[role="dialog"], [role="alertdialog"]') === null) {
                event.preventDefault();
                if (!pressMarked(shortcut)) {
                    tell(`${shortcut.words}: not here.`);
                }
            }
        };
        const open = () => setIsOpen(true);
        window.addEventListener('keydown', press);
        window.addEventListener(OPEN, open);
        return () => {
            window.removeEventListener('keydown', press);
            window.removeEventListener(OPEN, open);
        };
    }, []);
    const here = isOpen ? SHORTCUTS.filter(({ mark }) => document.querySelector(`[data-shortcut="${mark}"]`) !== null) : [];
    const around = isOpen ? OTHER_KEYS.filter(({ on }) => document.querySelector(on) !== null) : [];
    return (
        <Dialog.Root open={isOpen} onOpenChange={setIsOpen}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed top-1/2 left-1/2 z-40 max-h-[92vh] w-[min(94vw,620px)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-hair-strong bg-surface p-6 shadow-lg"
                >
                    <Dialog.Title className="text-title">Keys</Dialog.Title>
                    <table className="mt-3 w-full border-collapse text-body">
                        <thead className="sr-only">
                            <tr>
                                <th scope="col">Key</th>
                                <th scope="col">What it does</th>
                            </tr>
                        </thead>
                        <tbody>
                            <OneKey keys="?" words="This list" />
                            {here.map(({ key, words }) => (
                                <OneKey key={key} keys={key} words={words} />
                            ))}
                            {around.map(({ where, keys, words }) => (
                                <OneKey key={`${where} ${keys}`} keys={keys} words={`${where}: ${words}`} />
                            ))}
                        </tbody>
                    </table>
                    <label className="mt-4 flex min-h-6 items-center gap-2">
                        <input
                            type="checkbox"
                            className="size-4.5 accent-(--accent)"
                            checked={isOn}
                            onChange={({ target }) => {
                                switchShortcuts(target.checked);
                                setIsOn(target.checked);
                            }}
                        />
                        Single keys are used (in this browser)
                    </label>
                    <Dialog.Close asChild>
                        <Button className="mt-4">Close</Button>
                    </Dialog.Close>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

function OneKey({ keys, words }: { keys: string; words: string }) {
    return (
        <tr className="border-b border-hair align-baseline">
            <th scope="row" className="figures py-1.5 pr-4 text-left font-semibold">
                {keys}
            </th>
            <td className="py-1.5">{words}</td>
        </tr>
    );
}
