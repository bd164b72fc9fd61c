import { useEffect, useState } from 'react';

const SHOWN_AFTER_MS = 500;

/** The last answer while the next is awaited: once that takes longer it is gone, for figures of one basis do not stand under the words of another. */
export const GONE_WHEN_SLOW = 'pointer-events-none opacity-0 delay-500';

/** Says that something is under way, but only once it takes longer than half a second. */
export function Waiting({ what }: { what: string }) {
    const [isShown, setIsShown] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setIsShown(true), SHOWN_AFTER_MS);
        return () => clearTimeout(timer);
    }, []);
    return (
        <p role="status" className="text-small text-soft">
            {isShown ? `${what} …` : ''}
        </p>
    );
}
