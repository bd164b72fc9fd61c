import { useLayoutEffect, useRef } from 'react';
import style from '../../views/report/paper.css?raw';

/** The colours of paper, by what the page calls them: on screen a report has the look of the screen. (What makes PDFs knows no such names.) */
const NAMES = [
    { colour: /#fff\b/g, name: 'surface' },
    { colour: /#17251f\b/g, name: 'ink' },
    { colour: /#4c5d55\b/g, name: 'soft' },
    { colour: /#b9c6bf\b/g, name: 'hair-strong' },
    { colour: /#8f1d1d\b/g, name: 'alarm' },
];
const screenStyle = NAMES.reduce((css, { colour, name }) => css.replace(colour, `var(--${name})`), style);

/** A part of a report as it stands on paper, in the look of the screen: in a style of its own, which nothing of the page reaches. */
export function PaperHtml({ html, name }: { html: string; name: string }) {
    const place = useRef<HTMLDivElement>(null);
    useLayoutEffect(() => {
        const host = place.current;
        if (host !== null) {
            const root = host.shadowRoot ?? host.attachShadow({ mode: 'open' });
            // The server's own view, in which everything that somebody typed is escaped.
            root.innerHTML = `<style>${screenStyle}</style><div class="paper">${html}</div>`;
            for (const wide of root.querySelectorAll('.wide')) {
                if (wide.scrollWidth > wide.clientWidth) {
                    wide.setAttribute('tabindex', '0');
                    wide.setAttribute('role', 'region');
                    wide.setAttribute('aria-label', `Table of ${name}`);
                }
            }
        }
    }, [html, name]);
    return <div ref={place} />;
}
