import { useQuery } from '@tanstack/react-query';
import { api, bodyOf } from './client';

export const SHARED_REPORTS = ['shared-reports'];

/** Those that others share with the account, each by itself. */
export function useSharedReports() {
    return useQuery({ queryKey: SHARED_REPORTS, queryFn: async ({ signal }) => bodyOf(await api.GET('/reports', { signal })) });
}
