import clsx from 'clsx';
import type { ComponentProps } from 'react';

type Look = 'plain' | 'primary' | 'quiet';

const looks: Record<Look, string> = {
    plain: 'border border-hair-strong bg-surface text-ink hover:border-ink',
    primary: 'border border-accent bg-accent text-on-accent hover:brightness-110',
    quiet: 'border border-transparent text-soft underline-offset-4 hover:text-ink hover:underline',
};

/** A button. Its look is `plain` unless said otherwise; a form has at most one `primary`. */
export function Button({ look = 'plain', className, type = 'button', ...rest }: ComponentProps<'button'> & { look?: Look }) {
    return (
        <button
            type={type}
            className={clsx(
                'inline-flex items-center gap-2 rounded-md px-3 py-1.5 text-body font-medium disabled:opacity-50',
                looks[look],
                className,
            )}
            {...rest}
        />
    );
}
