import type { FigureField, OwnWords } from '../api/client';

export interface Node {
    type: string;
    text?: string;
    attrs?: unknown;
    marks?: { type: string; attrs?: { href?: string } }[];
    content?: Node[];
}

/** The name of a figure in the document of the editor; the server knows it by the same. */
export const FIELD = 'figureField';
/** The same of what leads to another block. */
export const REFERENCE = 'blockReference';

/** One and the same for the same figure of the same question. */
export function fieldKey({ address, figure, group }: FigureField): string {
    return JSON.stringify([address, figure, group]);
}

/** The figures that are set into a text, each once. */
export function fieldsOf(words: OwnWords | null): FigureField[] {
    const found = new Map<string, FigureField>();
    const walk = (node: Node) => {
        if (node.type === FIELD) {
            const field = node.attrs as FigureField;
            found.set(fieldKey(field), field);
        }
        node.content?.forEach(walk);
    };
    if (words !== null) {
        walk(words as unknown as Node);
    }
    return [...found.values()];
}

/** Nothing written is no document. */
export function orNothing(words: OwnWords): OwnWords | null {
    const isSaid = (node: Node): boolean =>
        node.type === FIELD || node.type === REFERENCE || (node.text ?? '').trim() !== '' || (node.content?.some(isSaid) ?? false);
    return isSaid(words as unknown as Node) ? words : null;
}

export function asNode(field: FigureField): { type: string; attrs: FigureField } {
    return { type: FIELD, attrs: { address: field.address, figure: field.figure, group: field.group } };
}

export function asReference(block: string): { type: string; attrs: { block: string } } {
    return { type: REFERENCE, attrs: { block } };
}

/** What a link may lead to: a page or an address of mail, nothing that runs. */
export function isLink(href: string): boolean {
    return /^(https?:\/\/[^\s<>"]+|mailto:[^\s<>"]+)$/i.test(href);
}
