import { useState } from 'react';
import { Button } from './Button';
import { WordPopover } from './WordPopover';

const REASONS = ['slip of the pen', 'not measured as the others were', 'does not belong here'];

/** A word that asks for the reason why rows are set aside. */
export function ReasonEntry({
    label,
    words,
    isOne,
    onReason,
}: {
    /** For those who cannot see what it is about. */
    label: string;
    words: string;
    isOne: boolean;
    onReason: (reason: string) => void;
}) {
    const [isOpen, setIsOpen] = useState(false);
    const [reason, setReason] = useState('');
    const take = (text: string) => {
        onReason(text.trim());
        setReason('');
        setIsOpen(false);
    };
    return (
        <WordPopover label={label} words={words} className="w-96 max-w-[90vw] p-3" open={isOpen} onOpenChange={setIsOpen}>
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    take(reason);
                }}
            >
                <label className="block">
                    <span className="text-small text-soft">Why no figure should count {isOne ? 'it' : 'them'}</span>
                    <input
                        required
                        maxLength={200}
                        value={reason}
                        onChange={(event) => setReason(event.target.value)}
                        className="mt-1 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1.5"
                    />
                </label>
                <p className="mt-1.5 text-fine leading-snug text-soft">
                    {isOne ? 'It stays' : 'They stay'} in the data, struck through, with this reason; figures, pictures and comparisons go
                    without. Undone like any change.
                </p>
                <div className="mt-2.5 flex flex-wrap items-center gap-1.5">
                    <Button type="submit" look="primary" disabled={reason.trim() === ''}>
                        Set aside
                    </Button>
                    {REASONS.map((text) => (
                        <Button key={text} className="text-small" onClick={() => take(text)}>
                            {text}
                        </Button>
                    ))}
                </div>
            </form>
        </WordPopover>
    );
}
