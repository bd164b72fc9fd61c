import { createContext, useContext } from 'react';

/** Whether who is here may change what is shown, or only read it: what changes something is not offered to a reader. */
export const MayChange = createContext(true);

export function useMayChange(): boolean {
    return useContext(MayChange);
}
