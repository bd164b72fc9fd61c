import { useQuery } from '@tanstack/react-query';
import { api, bodyOf } from './client';

/** The words of the conventions come from the core and never change while the page is open. */
export function useConventions() {
    return useQuery({ queryKey: ['conventions'], queryFn: async () => bodyOf(await api.GET('/conventions')), staleTime: Infinity });
}
