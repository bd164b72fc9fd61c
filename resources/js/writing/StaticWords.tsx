import clsx from 'clsx';
import type { Dataset, FigureField, OwnWords } from '../api/client';
import { FIELD, fieldKey, fieldsOf } from './document';
import { fieldText, useFields } from './queries';

interface Piece {
    type: string;
    text?: string;
    attrs?: FigureField;
}

/** What somebody has written, to be read: it takes a fraction of what an editor takes. */
export function StaticWords({ dataset, words }: { dataset: Dataset; words: OwnWords }) {
    const { shown } = useFields(dataset.id, dataset.revision, fieldsOf(words));
    const paragraphs = (words.content ?? []) as { content?: Piece[] }[];
    return (
        <div className="max-w-3xl px-2 py-1 print:p-0">
            {paragraphs.map(({ content }, i) => (
                <p key={i} dir="auto" className="min-h-6 break-words whitespace-break-spaces not-first:mt-2">
                    {content?.map((piece, j) => {
                        if (piece.type !== FIELD || piece.attrs === undefined) {
                            return piece.type === 'hardBreak' ? <br key={j} /> : piece.text;
                        }
                        const field = shown.get(fieldKey(piece.attrs));
                        return (
                            <span key={j} title={field?.name} className={clsx('tabular-nums', field?.why != null && 'text-alarm')}>
                                {fieldText(field)}
                            </span>
                        );
                    })}
                </p>
            ))}
        </div>
    );
}
