import type { ReactNode } from 'react';

/** Draws the notation of a working: `{a}/{b}` is a fraction, `√{a}` a root; all else stands as it is. */
export function Notation({ children }: { children: string }) {
    return <span className="leading-loose tabular-nums">{pieces(parse(children))}</span>;
}

export type Piece = string | { over: Piece[]; under: Piece[] } | { root: Piece[] };

export function parse(text: string): Piece[] {
    let at = 0;
    const group = (): Piece[] => {
        const found: Piece[] = [];
        let plain = '';
        const flush = () => {
            if (plain !== '') {
                found.push(plain);
                plain = '';
            }
        };
        while (at < text.length && text[at] !== '}') {
            if (text[at] === '√' && text[at + 1] === '{') {
                flush();
                found.push({ root: braces(1) });
            } else if (text[at] === '{') {
                const over = braces(0);
                if (text[at] === '/' && text[at + 1] === '{') {
                    flush();
                    found.push({ over, under: braces(1) });
                } else {
                    flush();
                    found.push(...over);
                }
            } else {
                plain += text[at] ?? '';
                at += 1;
            }
        }
        flush();
        return found;
    };
    const braces = (before: number): Piece[] => {
        at += before + 1;
        const inside = group();
        at += 1;
        return inside;
    };
    return group();
}

function pieces(parts: Piece[]): ReactNode {
    return parts.map((part, i) => {
        if (typeof part === 'string') {
            return <span key={i}>{part}</span>;
        }
        if ('root' in part) {
            return (
                <span key={i} className="whitespace-nowrap">
                    √<span className="border-t border-current pt-px">{pieces(part.root)}</span>
                </span>
            );
        }
        return (
            <span key={i} className="mx-1 inline-flex flex-col items-center align-middle leading-snug">
                <span className="border-b border-current px-1 text-center">{pieces(part.over)}</span>
                <span className="px-1 text-center">{pieces(part.under)}</span>
            </span>
        );
    });
}
