import { useMutation } from '@tanstack/react-query';
import { api, bodyOf } from './client';

/** Begins the intake of a table that is text: pasted, or made of another. */
export function useTextImport() {
    return useMutation({
        meta: { isSaidInPlace: true },
        mutationFn: async ({ text, title }: { text: string; title: string }) => {
            const form = new FormData();
            form.append('text', text);
            form.append('title', title);
            return bodyOf(await api.POST('/imports', { body: form as never, bodySerializer: (body) => body as never }));
        },
    });
}
