import type { Block, NewBlock, ReportDocument } from '../api/client';

/** A change of a report, to be made to whichever version of it there is. */
export type Change = (document: ReportDocument) => ReportDocument;

/** Another block behind one, or at the end. */
export function withBlock(block: Block, after: string | null): Change {
    return (document) => {
        const at = document.blocks.findIndex(({ id }) => id === after);
        const blocks = [...document.blocks];
        blocks.splice(at === -1 ? blocks.length : at + 1, 0, block);
        return { ...document, blocks };
    };
}

export function withChanged(id: string, words: Partial<NewBlock>): Change {
    return (document) => ({ ...document, blocks: document.blocks.map((block) => (block.id === id ? { ...block, ...words } : block)) });
}

export function without(id: string): Change {
    return (document) => ({ ...document, blocks: document.blocks.filter((block) => block.id !== id) });
}

/** A block at another place, counted among the others; past the ends it stays at the end. */
export function moved(id: string, to: (from: number) => number): Change {
    return (document) => {
        const from = document.blocks.findIndex((block) => block.id === id);
        const block = document.blocks[from];
        if (block === undefined) {
            return document;
        }
        const others = document.blocks.filter((other) => other.id !== id);
        others.splice(Math.max(0, Math.min(others.length, to(from))), 0, block);
        return { ...document, blocks: others };
    };
}

/** A block before or behind another one. */
export function movedBeside(id: string, other: string, isBehind: boolean): Change {
    return (document) => {
        const at = document.blocks.filter((block) => block.id !== id).findIndex((block) => block.id === other);
        return at === -1 ? document : moved(id, () => at + (isBehind ? 1 : 0))(document);
    };
}

export function withTitle(title: string): Change {
    return (document) => ({ ...document, title });
}

/** A line of how it was done that stays out, or comes back. */
export function withLine(key: string, isShown: boolean): Change {
    return (document) => ({
        ...document,
        hidden: isShown ? document.hidden.filter((hidden) => hidden !== key) : [...document.hidden.filter((hidden) => hidden !== key), key],
    });
}

/** A name that no other block has. */
export function newId(): string {
    return `b${Array.from(crypto.getRandomValues(new Uint8Array(5)), (byte) => byte.toString(16).padStart(2, '0')).join('')}`;
}

const kinds: Record<Block['kind'], string> = {
    heading: 'Heading',
    text: 'Text',
    figures: 'Figures',
    overview: 'Overview',
    picture: 'Picture',
    frequencies: 'Frequencies',
    classes: 'Classes',
    comparison: 'Comparison',
    readings: 'What it says',
    rows: 'Rows',
    held: 'Held as it was',
};

/** What a block is called where it is spoken of. */
export function nameOf(block: Block, number: string | null): string {
    const title = block.title ?? '';
    const called = number ?? kinds[block.kind];
    return title === '' ? called : `${called}: ${title}`;
}
