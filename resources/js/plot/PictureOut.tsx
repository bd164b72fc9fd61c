import { AboutIt } from '../ui/AboutIt';
import { written } from '../ui/numbers';
import { useState } from 'react';
import { api, bodyOf, type ClassWords, type CompareWords, type QuestionWords, type Scene } from '../api/client';
import { Button } from '../ui/Button';
import { CellTable } from '../ui/CellTable';
import { saveBlob, saveCsv, say } from '../ui/copying';
import { useKeep } from '../ui/keeping';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';

/** What is chosen of a picture. */
export interface PictureWords {
    /** Such as notches:yes. */
    look?: string;
    /** Where each group has a picture of its own: whose; 0 = overall. */
    column?: number;
    lane_order?: string;
    classWords?: ClassWords;
    compareWords?: CompareWords;
}

/** How the server is asked for a picture again. */
export interface PictureSource {
    dataset: number;
    kind: string;
    question: QuestionWords;
    words: PictureWords;
    /** In pixels. */
    width: number;
}

type Palette = 'light' | 'dark' | 'print';

const SHARPNESS = 2;

/** The ways a picture leaves the page, under a title of one's own if one is typed, in colours of choice. */
export function PictureOut({ scene, source }: { scene: Scene; source: PictureSource }) {
    const [title, setTitle] = useState('');
    const [palette, setPalette] = useState<Palette>('light');
    const [isShown, setIsShown] = useState(false);
    const keep = useKeep();
    const name = scene.title;
    const called = title.trim() === '' ? name : title.trim();
    const svg = () => fetchSvg(source, palette, title.trim());
    const out = (use: () => Promise<void>) => () =>
        void use().catch((problem: unknown) => say(problem instanceof Error ? problem.message : String(problem)));
    const [isOpen, setIsOpen] = useState(false);
    const ways: { words: string; use: () => void }[] = [
        { words: 'Copy picture', use: () => void copy(svg, called) },
        { words: 'Save as PNG', use: out(async () => saveBlob(await png(await svg()), `${called}.png`)) },
        { words: 'Save as SVG', use: out(async () => saveBlob(new Blob([await svg()], { type: 'image/svg+xml' }), `${called}.svg`)) },
        { words: 'Show its numbers', use: () => setIsShown(true) },
        { words: 'Save its numbers', use: () => saveCsv(scene.table, `${name}, plotted numbers`) },
        ...(scene.plain === ''
            ? []
            : [
                  {
                      words: 'Copy as text',
                      use: out(async () => {
                          await navigator.clipboard.writeText(scene.plain);
                          say(`Copied: ${name}`);
                      }),
                  },
              ]),
    ];
    return (
        <>
            <p className="mt-1.5 flex flex-wrap items-baseline gap-x-4 text-small print:hidden">
                {keep !== null && (
                    <button
                        type="button"
                        data-shortcut="keep"
                        aria-label={`Keep the picture of ${name}`}
                        className="min-h-6 text-soft underline-offset-4 hover:text-ink hover:underline"
                        onClick={() => keep({ kind: 'picture', title: called, source })}
                    >
                        Keep
                    </button>
                )}
                <AboutIt about={{ kind: 'picture', of: source.kind }} name={name} />
                <WordPopover
                    label={`Take out the picture of ${name}`}
                    words="Take out"
                    open={isOpen}
                    onOpenChange={setIsOpen}
                    className="w-72 max-w-[90vw] p-3"
                    wordClassName="min-h-6"
                >
                    <input
                        aria-label={`Title of the picture of ${name}`}
                        placeholder="Title of the picture"
                        value={title}
                        maxLength={120}
                        onChange={(event) => setTitle(event.target.value)}
                        className="w-full rounded-md border border-hair-strong bg-paper px-2 py-1 placeholder:text-soft"
                    />
                    <p className="mt-2 text-small text-soft">
                        In{' '}
                        <WordChoice
                            name="Colours of the picture"
                            options={[
                                { value: 'light', words: 'light colours' },
                                { value: 'dark', words: 'dark colours' },
                                { value: 'print', words: 'colours for print', sentence: 'On white, with black axes.' },
                            ]}
                            value={palette}
                            onChange={(word) => setPalette(word as Palette)}
                        />
                    </p>
                    <ul className="mt-2 border-t border-hair pt-1.5">
                        {ways.map(({ words, use }) => (
                            <li key={words}>
                                <Button
                                    look="quiet"
                                    className="w-full px-1! py-1! text-ink!"
                                    onClick={() => {
                                        use();
                                        setIsOpen(false);
                                    }}
                                >
                                    {words}
                                </Button>
                            </li>
                        ))}
                    </ul>
                </WordPopover>
                {isShown && (
                    <button
                        type="button"
                        className="min-h-6 text-soft underline-offset-4 hover:text-ink hover:underline"
                        onClick={() => setIsShown(false)}
                    >
                        Hide its numbers
                    </button>
                )}
            </p>
            {isShown && (
                <div className="max-h-96 overflow-y-auto print:hidden">
                    <CellTable name={`${name}, plotted numbers`} cells={inOwnMarks(scene.table)} />
                </div>
            )}
        </>
    );
}

/** Numbers with the marks in force; labels stay what they are called. */
function inOwnMarks(table: Scene['table']): Scene['table'] {
    const isLabelled = table[0]?.[0] === 'Label';
    return table.map((row) => row.map((cell, i) => (isLabelled && i === 0 ? cell : written(cell))));
}

/** The picture as a file: the server lays it out and puts its faces inside. */
async function fetchSvg({ dataset, kind, question, words, width }: PictureSource, palette: Palette, heading: string): Promise<string> {
    return bodyOf(
        await api.GET('/datasets/{dataset}/plots/{kind}', {
            params: { path: { dataset, kind }, query: { question, ...words, width, format: 'svg', palette, heading } },
            parseAs: 'text',
        }),
    );
}

async function png(svg: string): Promise<Blob> {
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(image.naturalWidth * SHARPNESS);
    canvas.height = Math.round(image.naturalHeight * SHARPNESS);
    canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return new Promise((resolve, reject) =>
        canvas.toBlob(
            (blob) =>
                blob === null ? reject(new Error('The browser could not draw the picture. Save it as SVG instead.')) : resolve(blob),
            'image/png',
        ),
    );
}

async function copy(svg: () => Promise<string>, name: string): Promise<void> {
    try {
        await navigator.clipboard.write([new ClipboardItem({ 'image/png': svg().then(png) })]);
        say(`Copied: the picture of ${name}`);
    } catch {
        say('The browser did not allow copying a picture. Save it instead.');
    }
}
