import clsx from 'clsx';
import type { ReactNode } from 'react';
import type { Dataset, FigureField, OwnWords } from '../api/client';
import { FIELD, fieldKey, fieldsOf, isLink, type Node, REFERENCE } from './document';
import { fieldText, type Shown, useFields } from './queries';

/** What somebody has written, to be read: it takes a fraction of what an editor takes. */
export function StaticWords({ dataset, words, references }: { dataset: Dataset; words: OwnWords; references: Map<string, string> }) {
    const { shown } = useFields(dataset.id, dataset.revision, fieldsOf(words));
    return (
        <div className="own-words max-w-3xl px-2 py-1">
            {((words.content ?? []) as unknown as Node[]).map((node, i) => written(node, i, shown, references))}
        </div>
    );
}

function written(node: Node, key: number, shown: Shown, references: Map<string, string>): ReactNode {
    const inside = node.content?.map((child, i) => written(child, i, shown, references));
    switch (node.type) {
        case 'heading':
            return (
                <h4 key={key} dir="auto">
                    {inside}
                </h4>
            );
        case 'bulletList':
            return <ul key={key}>{inside}</ul>;
        case 'orderedList':
            return <ol key={key}>{inside}</ol>;
        case 'listItem':
            return <li key={key}>{inside}</li>;
        case 'hardBreak':
            return <br key={key} />;
        case FIELD: {
            const field = shown.get(fieldKey(node.attrs as FigureField));
            return marked(
                node,
                key,
                <span title={field?.name} className={clsx('tabular-nums', field?.why != null && 'text-alarm')}>
                    {fieldText(field)}
                </span>,
            );
        }
        case REFERENCE:
            return marked(node, key, references.get((node.attrs as { block: string }).block) ?? '[what stood here is gone]');
        case 'text':
            return marked(node, key, node.text);
        default:
            return (
                <p key={key} dir="auto" className="min-h-6 break-words whitespace-break-spaces">
                    {inside}
                </p>
            );
    }
}

function marked(node: Node, key: number, shown: ReactNode): ReactNode {
    const all = (node.marks ?? []).reduce<ReactNode>((inner, { type, attrs }) => {
        const href = attrs?.href ?? '';
        if (type === 'link') {
            return isLink(href) ? (
                <a href={href} rel="noopener noreferrer" target="_blank">
                    {inner}
                </a>
            ) : (
                inner
            );
        }
        return type === 'bold' ? <strong>{inner}</strong> : <em>{inner}</em>;
    }, shown);
    return <span key={key}>{all}</span>;
}
