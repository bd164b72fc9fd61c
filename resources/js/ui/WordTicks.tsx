import { Checkbox } from 'radix-ui';
import { Tick } from './Tick';
import type { WordOption } from './wordOption';
import { WordPopover } from './WordPopover';

/** A word in a sentence that stands for several choices: underlined, opens a list to tick. */
export function WordTicks({
    name,
    words,
    help,
    options,
    chosen,
    onChange,
}: {
    /** Says what is chosen. */
    name: string;
    /** How it stands in the sentence. */
    words: string;
    help: string;
    options: WordOption[];
    chosen: string[];
    /** In the order of the options. */
    onChange: (chosen: string[]) => void;
}) {
    return (
        <WordPopover
            label={`${name}: ${words}`}
            words={words}
            className="max-h-[min(70vh,var(--radix-popover-content-available-height))] w-80 max-w-[90vw] overflow-y-auto p-3"
        >
            <p className="mb-1.5 text-fine leading-snug text-soft">{help}</p>
            {options.map((option) => (
                <label key={option.value} className="flex items-center gap-2 rounded-md px-1 py-1.5 hover:bg-accent-wash">
                    <Checkbox.Root
                        checked={chosen.includes(option.value)}
                        onCheckedChange={(isOn) =>
                            onChange(
                                options
                                    .map(({ value }) => value)
                                    .filter((value) => (value === option.value ? isOn === true : chosen.includes(value))),
                            )
                        }
                        className="flex size-4.5 shrink-0 items-center justify-center rounded-sm border border-hair-strong bg-paper text-accent data-[state=checked]:border-accent"
                    >
                        <Checkbox.Indicator>
                            <Tick />
                        </Checkbox.Indicator>
                    </Checkbox.Root>
                    <bdi>{option.words}</bdi>
                </label>
            ))}
        </WordPopover>
    );
}
