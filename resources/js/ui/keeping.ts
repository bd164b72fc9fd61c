import { createContext, useContext } from 'react';

/** A picture that the server draws, in words. */
export interface PictureWords {
    picture: 'stack' | 'boxes' | 'dots' | 'stems' | 'qq' | 'strips' | 'slopes' | 'steps' | 'labels' | 'classes';
    /** Key of the variable. */
    of: string;
    /** 0 = overall. */
    column?: number;
    arrange?: 'lanes' | 'outlines';
    lane_order?: string;
    look?: string;
    unit?: number;
    lines?: 1 | 2 | 5;
    apart?: 'yes' | 'no';
    with?: string;
}

/** A table as its cells, or a picture in words. */
export type ToKeep = { title: string } & ({ cells: string[][]; isOfClasses?: boolean } | { picture: PictureWords });

/** Holds something for the report; null where nothing is held. */
export const Keeping = createContext<((item: ToKeep) => void) | null>(null);

export function useKeep(): ((item: ToKeep) => void) | null {
    return useContext(Keeping);
}
