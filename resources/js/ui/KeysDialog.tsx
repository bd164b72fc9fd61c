import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from './Button';
import { MiddleDialog } from './MiddleDialog';
import { areOn, OTHER_KEYS, SHORTCUTS, switchShortcuts } from './shortcuts';

/** All keys of the place, and whether single ones are used. */
export function KeysDialog({
    onClose,
    giveBack,
}: {
    onClose: () => void;
    /** The focus, to what had it. */ giveBack: (event: Event) => void;
}) {
    const [isOn, setIsOn] = useState(areOn);
    const [here] = useState(() => SHORTCUTS.filter(({ mark }) => document.querySelector(`[data-shortcut="${mark}"]`) !== null));
    const [around] = useState(() => OTHER_KEYS.filter(({ on }) => document.querySelector(on) !== null));
    return (
        <MiddleDialog title="Keys" onClose={onClose} giveBack={giveBack}>
            <table className="w-full border-collapse text-body">
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
        </MiddleDialog>
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
