import type { RefObject } from 'react';

/** What opens is part of what the page is about, for whoever goes through it by its parts. */
export function inMain(): HTMLElement | null {
    return document.querySelector('main');
}

/** Where what a word opens stands, and how it goes away: the word itself opens and closes it, and has the focus back unless that is elsewhere by then. */
export function belowWord(word: RefObject<HTMLButtonElement | null>) {
    return {
        align: 'start',
        sideOffset: 8,
        collisionPadding: 12,
        onInteractOutside: (event: Event) => {
            if (event.target instanceof Node && word.current?.contains(event.target) === true) {
                event.preventDefault();
            }
        },
        onCloseAutoFocus: (event: Event) => {
            event.preventDefault();
            if (document.activeElement === null || document.activeElement === document.body) {
                word.current?.focus();
            }
        },
    } as const;
}
