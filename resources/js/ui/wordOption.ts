/** One of the choices of a word in a sentence. */
export interface WordOption {
    value: string;
    words: string;
    /** What the choice does, in a sentence. */
    sentence?: string;
}
