import type { Editor } from '@tiptap/core';
import { useEditorState } from '@tiptap/react';
import { useState } from 'react';
import { isLink } from './document';

/** What can be done with the words that are marked: bold, italic, headings, lists, links. */
export function Marks({ editor }: { editor: Editor }) {
    const [href, setHref] = useState<string | null>(null);
    const on = useEditorState({
        editor,
        selector: ({ editor: now }) => ({
            bold: now.isActive('bold'),
            italic: now.isActive('italic'),
            heading: now.isActive('heading'),
            bullets: now.isActive('bulletList'),
            numbers: now.isActive('orderedList'),
            link: now.isActive('link'),
        }),
    });
    const press = (name: string, isOn: boolean, deed: () => void) => (
        <button
            type="button"
            aria-pressed={isOn}
            className={`min-h-6 rounded-sm px-1 hover:underline ${isOn ? 'bg-accent-wash font-semibold text-ink' : ''}`}
            // The caret stays where it is.
            onMouseDown={(event) => event.preventDefault()}
            onClick={deed}
        >
            {name}
        </button>
    );
    return (
        <span className="flex flex-wrap items-center gap-x-1 text-fine">
            {press('Bold', on.bold, () => editor.chain().focus().toggleBold().run())}
            {press('Italic', on.italic, () => editor.chain().focus().toggleItalic().run())}
            {press('Heading', on.heading, () => editor.chain().focus().toggleHeading({ level: 3 }).run())}
            {press('List', on.bullets, () => editor.chain().focus().toggleBulletList().run())}
            {press('Numbered list', on.numbers, () => editor.chain().focus().toggleOrderedList().run())}
            {press('Link', on.link, () => (on.link ? editor.chain().focus().unsetLink().run() : setHref('https://')))}
            {href !== null && (
                <input
                    aria-label="Address of the link"
                    autoFocus
                    value={href}
                    placeholder="https:// or mailto:"
                    className="figures w-64 rounded-sm border border-hair-strong bg-surface px-1"
                    onChange={(event) => setHref(event.target.value)}
                    onKeyDown={(event) => {
                        if (event.key === 'Escape') {
                            setHref(null);
                            editor.commands.focus();
                        }
                        if (event.key === 'Enter' && isLink(href.trim())) {
                            event.preventDefault();
                            editor.chain().focus().extendMarkRange('link').setLink({ href: href.trim() }).run();
                            setHref(null);
                        }
                    }}
                    onBlur={() => setHref(null)}
                />
            )}
            {href !== null && !isLink(href.trim()) && <span>a link begins with https://, http:// or mailto:</span>}
        </span>
    );
}
