import { useMutation } from '@tanstack/react-query';
import { api, bodyOf } from './client';

/** A table that is text is handed in; with `begin` it is read at once, as it is recognised. */
export async function importText(fields: { text: string; title: string; begin?: '1' }) {
    const form = new FormData();
    Object.entries(fields).forEach(([name, value]) => form.append(name, value));
    return bodyOf(await api.POST('/imports', { body: form as never, bodySerializer: (body) => body as never }));
}

/** Begins the intake of a table that is text: pasted, or made of another. */
export function useTextImport() {
    return useMutation({ meta: { isSaidInPlace: true }, mutationFn: importText });
}
