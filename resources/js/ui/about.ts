/** Asks for the short page of something that is on the screen; a dialog shows it where one is. */
export interface About {
    kind: 'figure' | 'convention' | 'picture' | 'reading' | 'comparison';
    /** Key of the figure, picture, sentence or word of a question; null = all of the kind. */
    of: string | null;
}

const ABOUT = 'rowtally:about';

export function showAbout(about: About): void {
    window.dispatchEvent(new CustomEvent<About>(ABOUT, { detail: about }));
}

export function onAbout(show: (about: About) => void): () => void {
    const listen = (event: Event) => show((event as CustomEvent<About>).detail);
    window.addEventListener(ABOUT, listen);
    return () => window.removeEventListener(ABOUT, listen);
}
