import { useCallback, useMemo } from 'react';
import { useLocation, useSearch } from 'wouter';

/** The words of the address, and how they become others: a step of the history, or in place of the last. */
export function useAddress(): [URLSearchParams, (words: URLSearchParams, options?: { replace?: boolean }) => void] {
    const search = useSearch();
    const [path, navigate] = useLocation();
    const address = useMemo(() => new URLSearchParams(search), [search]);
    const set = useCallback(
        (words: URLSearchParams, options: { replace?: boolean } = {}) =>
            navigate(words.size === 0 ? path : `${path}?${words.toString()}`, options),
        [navigate, path],
    );
    return [address, set];
}
