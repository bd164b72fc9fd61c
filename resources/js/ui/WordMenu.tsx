import { afterPaint } from './afterPaint';
import clsx from 'clsx';
import { DropdownMenu } from 'radix-ui';
import type { RefObject } from 'react';
import { belowWord, inMain } from './belowWord';
import { Tick } from './Tick';
import type { WordOption } from './wordOption';

/** The list of choices below a word. The chosen one is marked by a tick and by weight, not by colour alone. */
export function WordMenu({
    word,
    name,
    options,
    value,
    isOpen,
    onOpenChange,
    onChange,
}: {
    word: RefObject<HTMLButtonElement | null>;
    name: string;
    options: WordOption[];
    value: string;
    isOpen: boolean;
    onOpenChange: (isOpen: boolean) => void;
    onChange: (value: string) => void;
}) {
    return (
        <DropdownMenu.Root open={isOpen} onOpenChange={onOpenChange} modal={false}>
            <DropdownMenu.Trigger asChild>
                {/* Where the list is hung up. */}
                <span aria-hidden="true" className="pointer-events-none absolute inset-0" />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal container={inMain()}>
                <DropdownMenu.Content
                    aria-label={name}
                    aria-labelledby={undefined}
                    {...belowWord(word)}
                    // It scrolls where it is long, so it is to be reached.
                    tabIndex={0}
                    className="z-20 max-h-[min(70vh,var(--radix-dropdown-menu-content-available-height))] max-w-md min-w-52 overflow-y-auto rounded-lg border border-hair-strong bg-surface p-1.5 text-ink shadow-lg"
                >
                    <DropdownMenu.RadioGroup value={value} onValueChange={(chosen) => afterPaint(() => onChange(chosen))}>
                        {options.map((option) => (
                            <DropdownMenu.RadioItem
                                key={option.value}
                                value={option.value}
                                className="grid grid-cols-[18px_1fr] gap-x-1 rounded-md px-2 py-1.5 outline-none data-[highlighted]:bg-accent-wash data-[highlighted]:shadow-[inset_3px_0_0_var(--accent)]"
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
