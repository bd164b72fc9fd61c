import { useEffect, useState } from 'react';

const TOLD = 'row-tally-told';

/** Says for those who cannot see it what has changed on the screen: once, and briefly. */
export function tell(words: string): void {
    window.dispatchEvent(new CustomEvent(TOLD, { detail: words }));
}

/** Where what was told is read aloud. */
export function Told() {
    const [{ words, isOdd }, setTold] = useState({ words: '', isOdd: false });
    useEffect(() => {
        // The same words once more are another text, or they would not be read again.
        const show = (event: Event) => setTold((before) => ({ words: String((event as CustomEvent).detail), isOdd: !before.isOdd }));
        window.addEventListener(TOLD, show);
        return () => window.removeEventListener(TOLD, show);
    }, []);
    return (
        <p aria-live="polite" data-told="" className="sr-only">
            {words}
            {isOdd && '\u00a0'}
        </p>
    );
}
