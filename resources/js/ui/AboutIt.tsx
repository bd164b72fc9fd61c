import { type About, showAbout } from './about';

/** Opens the short page of something, where one is. */
export function AboutIt({ about, name, words = 'About it' }: { about: About; /** Of what it is about. */ name: string; words?: string }) {
    return (
        <button
            type="button"
            aria-haspopup="dialog"
            aria-label={`${words}: ${name}`}
            className="min-h-6 text-small text-soft underline-offset-4 hover:text-ink hover:underline print:hidden"
            onClick={() => showAbout(about)}
        >
            {words}
        </button>
    );
}
