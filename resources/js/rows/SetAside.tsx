import { useState } from 'react';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { WordPopover } from '../ui/WordPopover';

const REASONS = ['slip of the pen', 'not measured as the others were', 'does not belong here'];

/** Rows leave every figure, for a reason; they stay in the data. */
export function SetAside({ rows, onSetAside }: { rows: number; onSetAside: (reason: string) => void }) {
    const [isOpen, setIsOpen] = useState(false);
    const [reason, setReason] = useState('');
    const take = (text: string) => {
        onSetAside(text.trim());
        setReason('');
        setIsOpen(false);
    };
    return (
        <WordPopover
            label={`Set ${counted(rows, 'row')} aside`}
            words={`Set ${counted(rows, 'row')} aside`}
            className="w-96 max-w-[90vw] p-3"
            open={isOpen}
            onOpenChange={setIsOpen}
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    take(reason);
                }}
            >
                <label className="block">
                    <span className="text-small text-soft">Why no figure should count {rows === 1 ? 'it' : 'them'}</span>
                    <input
                        required
                        maxLength={200}
                        value={reason}
                        onChange={(event) => setReason(event.target.value)}
                        className="mt-1 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1.5"
                    />
                </label>
                <p className="mt-1.5 text-fine leading-snug text-soft">
                    {rows === 1 ? 'It stays' : 'They stay'} in the data, struck through, with this reason; figures, pictures and comparisons
                    go without. Undone like any change.
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
