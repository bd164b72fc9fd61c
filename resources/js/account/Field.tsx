import type { ComponentProps } from 'react';

/** A field of a form under its name. */
export function Field({ name, label, ...rest }: ComponentProps<'input'> & { name: string; label: string }) {
    return (
        <label className="block">
            {label}
            <input
                className="mt-1 w-full rounded-md border border-hair-strong bg-surface px-3 py-2 text-lead"
                name={name}
                required
                maxLength={255}
                {...rest}
            />
        </label>
    );
}

/** A password that is set; what it has to be stands in its label. */
export function NewPassword({ label, ...rest }: { label: string; autoFocus?: boolean }) {
    return (
        <Field
            name="password"
            label={`${label}, 8 characters or more`}
            type="password"
            autoComplete="new-password"
            minLength={8}
            {...rest}
        />
    );
}

/** What was typed into a form, by name. */
export function typedIn(form: HTMLFormElement): (name: string) => string {
    const data = new FormData(form);
    return (name) => {
        const value = data.get(name);
        return typeof value === 'string' ? value : '';
    };
}
