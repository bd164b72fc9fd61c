import { createContext, useContext } from 'react';

/** A reading that is kept: which rule said it, of what, and what somebody would rather say. */
export interface KeptReading {
    key: string;
    column: string | null;
    variable: string | null;
    said: string;
    own: string | null;
}

/** What answers the question that a table, a picture or a sentence came from, so that it can be asked again. */
export interface ToKeep {
    kind: 'figures' | 'overview' | 'frequencies' | 'classes' | 'comparison' | 'rows' | 'readings' | 'picture';
    title: string;
    /** Keys of the variables that it is of, where the address is of others too. */
    of?: string;
    /** A condition that leaves its rows, instead of that of the address. */
    where?: string;
    readings?: KeptReading[];
    /** What draws a picture again, which only whoever keeps it reads. */
    source?: object;
}

/** Puts something into the report; null where nothing is kept. */
export const Keeping = createContext<((item: ToKeep) => void) | null>(null);

export function useKeep(): ((item: ToKeep) => void) | null {
    return useContext(Keeping);
}
