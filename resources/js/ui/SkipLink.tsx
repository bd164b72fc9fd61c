import { focusOn } from './useFocusKept';

/** The first stop of every screen: past its bars, to what it shows. */
export function SkipLink() {
    return (
        <button
            type="button"
            className="sr-only rounded-md border border-accent bg-surface px-3 py-1.5 font-semibold text-ink focus:not-sr-only focus:fixed! focus:top-2 focus:left-2 focus:z-50"
            onClick={() => {
                const main = document.querySelector('main');
                if (main !== null) {
                    focusOn(main);
                }
            }}
        >
            Go to what is shown
        </button>
    );
}
