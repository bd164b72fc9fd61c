import { createContext, useContext } from 'react';

export interface ToKeep {
    kind: 'picture' | 'table';
    title: string;
    /** SVG, or the cells as JSON. */
    content: string;
}

/** Holds something for the report; null where nothing is held. */
export const Keeping = createContext<((item: ToKeep) => void) | null>(null);

export function useKeep(): ((item: ToKeep) => void) | null {
    return useContext(Keeping);
}
