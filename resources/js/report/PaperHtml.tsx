import { useLayoutEffect, useRef } from 'react';
import style from '../../views/report/paper.css?raw';

/** A part of a report as it stands on paper: in a style of its own, which nothing of the page reaches. */
export function PaperHtml({ html, name }: { html: string; name: string }) {
    const place = useRef<HTMLDivElement>(null);
    useLayoutEffect(() => {
        const host = place.current;
        if (host !== null) {
            const root = host.shadowRoot ?? host.attachShadow({ mode: 'open' });
            // The server's own view, in which everything that somebody typed is escaped.
            root.innerHTML = `<style>${style}</style><div class="paper">${html}</div>`;
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
