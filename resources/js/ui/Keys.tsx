import { lazy, Suspense, useEffect, useState } from 'react';
import { areOn, isTakenBy, pressMarked, SHORTCUTS } from './shortcuts';
import { tell } from './told';
import { useGivenBack } from './useGivenBack';

// It is fetched when somebody asks for it.
const KeysDialog = lazy(async () => ({ default: (await import('./KeysDialog')).KeysDialog }));

const OPEN = 'row-tally-keys';

/** Shows all keys of the place. */
export function showKeys(): void {
    window.dispatchEvent(new Event(OPEN));
}

/** Listens to the keys of the screens, and shows them all by `?`. */
export function Keys() {
    const [isOpen, setIsOpen] = useState(false);
    const { remember, giveBack } = useGivenBack();
    useEffect(() => {
        const open = () => {
            remember();
            setIsOpen(true);
        };
        const press = (event: KeyboardEvent) => {
            if (event.defaultPrevented || event.ctrlKey || event.metaKey || isTakenBy(document.activeElement) || !areOn()) {
                return;
            }
            if (event.key === '?') {
                event.preventDefault();
                open();
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
        window.addEventListener('keydown', press);
        window.addEventListener(OPEN, open);
        return () => {
            window.removeEventListener('keydown', press);
            window.removeEventListener(OPEN, open);
        };
    }, [remember]);
    return isOpen ? (
        <Suspense fallback={null}>
            <KeysDialog onClose={() => setIsOpen(false)} giveBack={giveBack} />
        </Suspense>
    ) : null;
}
