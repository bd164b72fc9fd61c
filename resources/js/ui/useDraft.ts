import { useIsMutating } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type Draft, keyOf, readDraft, unlike } from './drafts';

/**
 * What was typed into the fields of a form and is not known to be saved: it stays in the tab, also when the page is left or loaded anew,
 * until it is what is saved: a field may show a change before the server has it. `place` says whose fields they are.
 */
export function useDraft<Fields extends Record<string, unknown>>(place: string, saved: Fields) {
    const [draft, setDraft] = useState<Draft>(() => readDraft(place));
    const unsaved = unlike(draft, saved);
    const isUnsaved = Object.keys(unsaved).length > 0;
    const isSaving = useIsMutating() > 0;
    useEffect(() => {
        try {
            if (isUnsaved) {
                sessionStorage.setItem(keyOf(place), JSON.stringify(unsaved));
            } else if (!isSaving) {
                sessionStorage.removeItem(keyOf(place));
            }
        } catch {
            // A full or forbidden store: then what was typed lives as long as the page.
        }
    });
    return {
        fields: { ...saved, ...unsaved },
        isUnsaved,
        /** Of the fields, those that are unlike what is saved. */
        unsaved: unsaved as Partial<Fields>,
        set: (change: Partial<Fields>) => setDraft((before) => ({ ...before, ...change })),
        forget: () => setDraft({}),
    };
}
