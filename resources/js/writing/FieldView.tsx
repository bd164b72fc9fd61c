import { Node } from '@tiptap/core';
import { type NodeViewProps, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import clsx from 'clsx';
import { createContext, useContext } from 'react';
import type { FigureField } from '../api/client';
import { FIELD, fieldKey, REFERENCE } from './document';
import { fieldText, type Shown } from './queries';

export const ShownFields = createContext<Shown>(new Map());

/** A figure set into the sentence: it follows the data, and is taken out whole. */
export const FieldNode = Node.create({
    name: FIELD,
    group: 'inline',
    inline: true,
    atom: true,
    // In the order in which the server writes them.
    addAttributes: () => ({ address: { default: '' }, figure: { default: '' }, group: { default: '' } }),
    parseHTML: () => [
        {
            tag: 'data[data-figure-field]',
            getAttrs: (element) => ({
                address: element.dataset.address ?? '',
                figure: element.dataset.figureField ?? '',
                group: element.dataset.group ?? '',
            }),
        },
    ],
    renderHTML: ({ node }) => {
        const field = node.attrs as FigureField;
        return ['data', { 'data-figure-field': field.figure, 'data-address': field.address, 'data-group': field.group }];
    },
    addNodeView: () => ReactNodeViewRenderer(FieldView, { as: 'span' }),
});

function FieldView({ node, selected }: NodeViewProps) {
    const field = node.attrs as FigureField;
    const shown = useContext(ShownFields).get(fieldKey(field));
    return (
        <NodeViewWrapper
            as="span"
            data-field={field.figure}
            title={shown === undefined ? undefined : (shown.why ?? shown.name)}
            className={clsx(
                'tabular-nums rounded-sm border-b border-accent px-0.5 whitespace-nowrap print:border-none print:p-0',
                selected && 'bg-accent-wash',
                shown?.why != null && 'border-alarm text-small whitespace-normal text-alarm',
            )}
        >
            {fieldText(shown)}
        </NodeViewWrapper>
    );
}

/** What the blocks of the report are called, by name. */
export const References = createContext<Map<string, string>>(new Map());

/** Leads to another block by its number, which follows. */
export const ReferenceNode = Node.create({
    name: REFERENCE,
    group: 'inline',
    inline: true,
    atom: true,
    addAttributes: () => ({ block: { default: '' } }),
    parseHTML: () => [{ tag: 'span[data-block-reference]', getAttrs: (element) => ({ block: element.dataset.blockReference ?? '' }) }],
    renderHTML: ({ node }) => ['span', { 'data-block-reference': String(node.attrs.block) }],
    addNodeView: () => ReactNodeViewRenderer(ReferenceView, { as: 'span' }),
});

function ReferenceView({ node, selected }: NodeViewProps) {
    const called = useContext(References).get(String(node.attrs.block));
    return (
        <NodeViewWrapper
            as="span"
            data-reference={String(node.attrs.block)}
            className={clsx(
                'border-b border-hair-strong whitespace-nowrap',
                selected && 'bg-accent-wash',
                called === undefined && 'text-small text-alarm',
            )}
        >
            {called ?? '[what stood here is gone]'}
        </NodeViewWrapper>
    );
}
