import { createContext, useContext } from 'react';

/** A sentence as it is kept, which somebody may have edited, and as its rule said it. */
export interface KeptSentence {
    sentence: string;
    said: string;
    rule: string;
    source: string;
}

/** A table as its cells, a sentence, or a picture as what draws it again, which only whoever keeps it reads. */
export type ToKeep = { title: string } & (
    { cells: string[][]; isOfClasses?: boolean; figuresOf?: string } | { picture: object } | { reading: KeptSentence }
);

/** Holds something for the report; null where nothing is held. */
export const Keeping = createContext<((item: ToKeep) => void) | null>(null);

export function useKeep(): ((item: ToKeep) => void) | null {
    return useContext(Keeping);
}
