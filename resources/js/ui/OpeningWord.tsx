import clsx from 'clsx';
import { type ReactNode, type RefObject, Suspense, useRef, useState } from 'react';
import { useKeptInSight } from './useKeptInSight';

/**
 * A word in a sentence that opens something: underlined. What it opens is fetched when a hand or the focus comes near, so that a page
 * need not wait for it.
 */
export function OpeningWord({
    label,
    words,
    opens,
    className,
    isOpen,
    onOpenChange,
    onNear,
    children,
}: {
    /** For those who cannot see the sentence. */
    label: string;
    words: string;
    opens: 'menu' | 'dialog';
    className?: string | undefined;
    isOpen: boolean;
    onOpenChange: (isOpen: boolean) => void;
    /** Fetches what it opens. */
    onNear: () => unknown;
    children: (word: RefObject<HTMLButtonElement | null>) => ReactNode;
}) {
    const word = useRef<HTMLButtonElement>(null);
    const [wasOpened, setWasOpened] = useState(false);
    useKeptInSight(word, isOpen);
    const open = () => {
        setWasOpened(true);
        onOpenChange(!isOpen);
    };
    return (
        <span className="relative">
            <button
                ref={word}
                type="button"
                aria-label={label}
                aria-haspopup={opens}
                aria-expanded={isOpen}
                data-state={isOpen ? 'open' : 'closed'}
                className={clsx(
                    'border-b-2 border-accent pb-px text-left font-semibold text-ink hover:bg-accent-wash data-[state=open]:bg-accent-wash',
                    className,
                )}
                onClick={open}
                onKeyDown={(event) => {
                    if (event.key === 'ArrowDown' && opens === 'menu') {
                        event.preventDefault();
                        open();
                    }
                }}
                onPointerEnter={onNear}
                onFocus={onNear}
            >
                {words}
            </button>
            {wasOpened && <Suspense fallback={null}>{children(word)}</Suspense>}
        </span>
    );
}
