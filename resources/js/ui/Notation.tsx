import { createElement, type ReactNode } from 'react';

/**
 * Draws the notation of a working: `{a}/{b}` is a fraction, `√{a}` a root, x̄ and x̃ letters under their mark, in the browser's own
 * MathML; all else is text as it stands, so that long lines can break.
 */
export function Notation({ children }: { children: string }) {
    return (
        <span className="leading-loose tabular-nums">
            {parse(children).map((part, i) =>
                typeof part === 'string' ? (
                    <Text key={i}>{part}</Text>
                ) : (
                    createElement('math', { key: i, displaystyle: 'true' }, inside([part]))
                ),
            )}
        </span>
    );
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

/** React's types know no MathML. */
function element(name: string, key: number, ...children: ReactNode[]): ReactNode {
    return createElement(name, { key }, ...children);
}

const MARKED = /([a-zA-Z][\u0303\u0304])/;
const MARKS: Record<string, string> = { '\u0303': '˜', '\u0304': '¯' };

function Text({ children }: { children: string }) {
    return <>{children.split(MARKED).map((part, i) => (MARKED.test(part) ? element('math', i, marked(part, i)) : part))}</>;
}

/** A letter under its mark. */
function marked(part: string, key: number): ReactNode {
    const sign = createElement('mo', { key: 1, stretchy: 'false' }, MARKS[part[1] ?? ''] ?? '');
    return createElement('mover', { key, accent: 'true' }, element('mi', 0, part[0]), sign);
}

function inside(parts: Piece[]): ReactNode[] {
    return parts.flatMap((part, i): ReactNode[] => {
        if (typeof part !== 'string') {
            const row = (pieces: Piece[], key: number) => element('mrow', key, ...inside(pieces));
            return ['root' in part ? element('msqrt', i, row(part.root, 0)) : element('mfrac', i, row(part.over, 0), row(part.under, 1))];
        }
        return part
            .split(MARKED)
            .filter((text) => text !== '')
            .map((text, at) => {
                const key = 1000 * i + at;
                // Blanks at the ends of a text are dropped by MathML, but for those that must not break.
                return MARKED.test(text) ? marked(text, key) : element('mtext', key, text.replaceAll(' ', '\u00a0'));
            });
    });
}
