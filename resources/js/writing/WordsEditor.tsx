import { type Editor, Extension, type Range } from '@tiptap/core';
import { Bold } from '@tiptap/extension-bold';
import Document from '@tiptap/extension-document';
import HardBreak from '@tiptap/extension-hard-break';
import { Heading } from '@tiptap/extension-heading';
import { Italic } from '@tiptap/extension-italic';
import { Link } from '@tiptap/extension-link';
import { BulletList, ListItem, ListKeymap, OrderedList } from '@tiptap/extension-list';
import Paragraph from '@tiptap/extension-paragraph';
import Text from '@tiptap/extension-text';
import { Placeholder, UndoRedo } from '@tiptap/extensions';
import { PluginKey } from '@tiptap/pm/state';
import { EditorContent, useEditor } from '@tiptap/react';
import { exitSuggestion, Suggestion, type SuggestionProps } from '@tiptap/suggestion';
import clsx from 'clsx';
import { type KeyboardEvent, useEffect, useId, useState } from 'react';
import type { Dataset, OwnWords } from '../api/client';
import { rowWord } from '../asking/BasisLine';
import { useFigureChoices } from '../asking/queries';
import { Button } from '../ui/Button';
import { basisOf, type Candidate, candidates } from './candidates';
import { asNode, asReference, fieldsOf, isLink, orNothing } from './document';
import { FieldNode, ReferenceNode, References, ShownFields } from './FieldView';
import { FigureList } from './FigureList';
import { Marks } from './Marks';
import { useFields } from './queries';
import { SentenceChoice } from './SentenceChoice';

/** What begins the search for a figure. */
const OPENS = '{';
const searchKey = new PluginKey('figure-search');

interface Search {
    query: string;
    /** Which of what is found Enter takes. */
    at: number;
    range: Range;
    caret: DOMRect | null;
}

/** Where somebody writes: figures are set into the sentence by typing `{` and what they are called, and follow the data from then on. */
export function WordsEditor({
    label,
    placeholder,
    dataset,
    address,
    words,
    references,
    isFresh,
    onWords,
    onLeave,
}: {
    label: string;
    placeholder: string;
    dataset: Dataset;
    /** The words of what it is written about. */
    address: string;
    words: OwnWords | null;
    /** What other blocks are called, by name. */
    references: Map<string, string>;
    /** Just begun: the caret is put into it. */
    isFresh: boolean;
    onWords: (words: OwnWords | null) => void;
    onLeave: () => void;
}) {
    const list = useId();
    const choices = useFigureChoices();
    const [search, setSearch] = useState<Search | null>(null);
    const [isHere, setIsHere] = useState(false);
    const said = new URLSearchParams(address);
    const base = basisOf(address);
    const first = said.get('of')?.split(',')[0] ?? null;
    const families = choices.data?.families;
    const { variables } = dataset;
    const [, rows] = rowWord(dataset);
    const found =
        search === null || families === undefined ? [] : candidates(search.query, { variables, families, base, first, rows, references });
    const set = useFields(dataset.id, dataset.revision, fieldsOf(words));
    const tried = useFields(
        dataset.id,
        dataset.revision,
        found.filter(({ reference }) => reference === undefined).map(({ field }) => field),
    );
    const chosen = Math.min(search?.at ?? 0, found.length - 1);

    const editor = useEditor({
        extensions: [
            Document,
            Paragraph,
            Text,
            HardBreak,
            UndoRedo,
            Bold,
            Italic,
            Heading.configure({ levels: [3, 4] }),
            BulletList,
            OrderedList,
            ListItem,
            ListKeymap,
            Link.configure({
                openOnClick: false,
                autolink: false,
                linkOnPaste: false,
                isAllowedUri: (href) => isLink(href),
                HTMLAttributes: { target: null, rel: null, class: null },
            }),
            FieldNode,
            ReferenceNode,
            Placeholder.configure({ placeholder }),
            searching(setSearch),
        ],
        content: words,
        injectCSS: false,
        enableInputRules: false,
        enablePasteRules: false,
        editorProps: {
            attributes: {
                role: 'textbox',
                'aria-multiline': 'true',
                'aria-label': label,
                class: 'own-words min-h-8 rounded-md border border-transparent px-2 py-1 hover:border-hair-strong focus:border-accent',
            },
        },
        onUpdate: ({ editor: now }) => onWords(orNothing(now.getJSON() as OwnWords)),
        onFocus: () => setIsHere(true),
        onBlur: onLeave,
    });
    // Once it stands in the page: what makes the editor may be ahead of that, and the focus would go nowhere.
    useEffect(() => {
        if (isFresh && !editor.isDestroyed) {
            editor.commands.focus();
        }
    }, [editor, isFresh]);
    const take = (candidate: Candidate | undefined) => {
        if (candidate !== undefined && search !== null) {
            setIn(editor, search.range, candidate.reference === undefined ? [asNode(candidate.field)] : [asReference(candidate.reference)]);
        }
    };
    /** While a figure is looked for its list has these keys, before the text. */
    const onKeyDown = (event: KeyboardEvent) => {
        const isTaken = event.key === 'Enter' || event.key === 'Tab' ? found.length > 0 : /^(ArrowDown|ArrowUp|Escape)$/.test(event.key);
        if (search === null || !isTaken) {
            return;
        }
        event.preventDefault();
        event.stopPropagation();
        if (event.key === 'Escape') {
            exitSuggestion(editor.view, searchKey);
        } else if (event.key === 'Enter' || event.key === 'Tab') {
            take(found[chosen]);
        } else {
            setSearch({ ...search, at: (found.length + chosen + (event.key === 'ArrowDown' ? 1 : -1)) % Math.max(1, found.length) });
        }
    };
    // Those who cannot see the list are told what it is at.
    const isSearching = search !== null;
    useEffect(() => {
        if (!isSearching) {
            return undefined;
        }
        const box = editor.view.dom;
        box.setAttribute('aria-controls', list);
        box.setAttribute('aria-activedescendant', `${list}-${chosen}`);
        return () => ['aria-controls', 'aria-activedescendant'].forEach((name) => box.removeAttribute(name));
    }, [editor, isSearching, list, chosen]);
    // Saved elsewhere, or given up: what is shown is what there is, unless somebody is writing.
    useEffect(() => {
        // One that is going away is followed by another.
        if (!editor.isDestroyed && !editor.isFocused && JSON.stringify(orNothing(editor.getJSON() as OwnWords)) !== JSON.stringify(words)) {
            editor.commands.setContent(words, { emitUpdate: false });
        }
    }, [editor, words]);
    return (
        <ShownFields value={set.shown}>
            <References value={references}>
                <div className="max-w-3xl" onKeyDownCapture={onKeyDown}>
                    <EditorContent editor={editor} />
                    {set.error !== null && (
                        <p className="flex items-center gap-3 px-2 text-small print:hidden">
                            <span className="text-alarm">The figures in this text could not be read: {set.error.message}</span>
                            <Button className="px-2! py-0.5!" onClick={() => void set.refetch()}>
                                Try again
                            </Button>
                        </p>
                    )}
                    <p
                        className={clsx(
                            'flex-wrap items-center gap-x-4 px-2 text-small text-soft',
                            isHere || words === null ? 'flex' : 'hidden',
                        )}
                    >
                        <Button
                            look="quiet"
                            className="min-h-6 px-0! py-0! text-small"
                            onMouseDown={(event) => event.preventDefault()}
                            onClick={() => editor.chain().focus().insertContent(OPENS).run()}
                        >
                            Set in a figure
                        </Button>
                        <SentenceChoice
                            dataset={dataset}
                            base={base}
                            first={first}
                            split={said.get('by')?.split(',')[0] ?? null}
                            onTake={(sentence) =>
                                setIn(
                                    editor,
                                    null,
                                    sentence.map((piece) => (typeof piece === 'string' ? { type: 'text', text: piece } : asNode(piece))),
                                )
                            }
                        />
                        {isHere && <Marks editor={editor} />}
                        {isHere && <span className="text-fine">or type {OPENS} and what it is called, a figure or “table 1”</span>}
                    </p>
                    {search !== null && (
                        <FigureList id={list} found={found} at={chosen} caret={search.caret} shown={tried.shown} onTake={take} />
                    )}
                </div>
            </References>
        </ShownFields>
    );
}

/** Sets words and figures in, in the place of a range or where the caret is. */
function setIn(editor: Editor, range: Range | null, nodes: { type: string; text?: string; attrs?: object }[]): void {
    if (range === null) {
        editor
            .chain()
            .focus(editor.isFocused ? null : 'end')
            .insertContent(nodes)
            .run();
    } else {
        editor.chain().focus().insertContentAt(range, nodes).run();
    }
}

/** Watches for what begins the search, and tells of it. */
function searching(tell: (search: Search | null) => void) {
    const told = ({ query, range, clientRect }: SuggestionProps) => tell({ query, at: 0, range, caret: clientRect?.() ?? null });
    return Extension.create({
        name: 'figureSearch',
        addProseMirrorPlugins() {
            return [
                Suggestion({
                    editor: this.editor,
                    pluginKey: searchKey,
                    char: OPENS,
                    allowSpaces: true,
                    allowedPrefixes: null,
                    items: () => [],
                    render: () => ({
                        onStart: told,
                        onUpdate: told,
                        onExit: () => tell(null),
                    }),
                }),
            ];
        },
    });
}
