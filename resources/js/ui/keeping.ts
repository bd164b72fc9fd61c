import { createContext, useContext } from 'react';

/** A table as its cells, or a picture as what draws it again, which only whoever keeps it reads. */
export type ToKeep = { title: string } & ({ cells: string[][]; isOfClasses?: boolean } | { picture: object });

/** Holds something for the report; null where nothing is held. */
export const Keeping = createContext<((item: ToKeep) => void) | null>(null);

export function useKeep(): ((item: ToKeep) => void) | null {
    return useContext(Keeping);
}
