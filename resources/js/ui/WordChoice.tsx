import clsx from 'clsx';
import { DropdownMenu } from 'radix-ui';
import { wordLook } from './WordPopover';

export interface WordOption {
    value: string;
    words: string;
    /** What the choice does, in a sentence. */
    sentence?: string;
}

/**
 * A word in a sentence that can be changed: underlined, opens a list of choices with what each does.
 * The chosen one is marked by a tick and by weight, not by colour alone.
 */
export function WordChoice({
    name,
    options,
    value,
    onChange,
    className,
}: {
    /** Says what is chosen, for those who cannot see the sentence. */
    name: string;
    options: WordOption[];
    value: string;
    onChange: (value: string) => void;
    className?: string;
}) {
    const chosen = options.find((option) => option.value === value);
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger asChild>
                <button type="button" aria-label={`${name}: ${chosen?.words ?? value}`} className={clsx(wordLook, className)}>
                    {chosen?.words ?? value}
                </button>
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="start"
                    sideOffset={8}
                    collisionPadding={12}
                    className="z-20 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] max-w-md min-w-52 overflow-y-auto rounded-lg border border-hair-strong bg-surface p-1.5 text-ink shadow-lg"
                >
                    <DropdownMenu.RadioGroup value={value} onValueChange={onChange}>
                        {options.map((option) => (
                            <DropdownMenu.RadioItem
                                key={option.value}
                                value={option.value}
                                className="grid grid-cols-[18px_1fr] gap-x-1 rounded-md px-2 py-1.5 outline-none data-[highlighted]:bg-accent-wash"
                            >
                                <DropdownMenu.ItemIndicator className="row-span-2 pt-0.5 text-accent">
                                    <Tick />
                                </DropdownMenu.ItemIndicator>
                                <span className={clsx('col-start-2', option.value === value && 'font-semibold')}>{option.words}</span>
                                {option.sentence !== undefined && option.sentence !== '' && (
                                    <span className="col-start-2 text-fine leading-snug text-soft">{option.sentence}</span>
                                )}
                            </DropdownMenu.RadioItem>
                        ))}
                    </DropdownMenu.RadioGroup>
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}

export function Tick() {
    return (
        <svg
            width="12"
            height="12"
            viewBox="0 0 12 12"
            aria-hidden="true"
            fill="none"
            stroke="currentColor"
            strokeWidth="2.2"
            strokeLinecap="round"
        >
            <path d="M2 6.4 4.8 9.2 10 3" />
        </svg>
    );
}
