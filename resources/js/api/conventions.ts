import type { Conventions } from './client';

/** Comes with the page and never changes while it is open: the words of questions in the core's own words, and the pictures. */
const served = typeof document === 'undefined' ? undefined : document.querySelector('#conventions')?.textContent;

export const conventions = JSON.parse(served ?? '{"words": [], "pictures": []}') as Conventions;

/** What one word of a question may be. */
export function choicesOf(name: string): Conventions['words'][number]['choices'] {
    return conventions.words.find((word) => word.name === name)?.choices ?? [];
}

/** What a value of a word is called in a sentence; itself where it has no name. */
export function wordsOf(name: string, value: string): string {
    return choicesOf(name).find((choice) => choice.value === value)?.words ?? value;
}

/** What holds where the address does not say. */
export function defaultOf(name: string): string {
    return conventions.words.find((word) => word.name === name)?.default ?? '';
}
