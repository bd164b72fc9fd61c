import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refusal } from '../api/client';
import { Button } from '../ui/Button';
import { saveBlob } from '../ui/copying';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';

const forms = [
    { form: 'pdf', words: 'PDF', sentence: 'On paper: page numbers, repeated heads, text that can be searched.' },
    { form: 'html', words: 'Page', sentence: 'One file that opens anywhere, offline, without scripts.' },
    { form: 'docx', words: 'DOCX', sentence: 'For word processors; pictures as dots.' },
    { form: 'odt', words: 'ODT', sentence: 'For word processors; pictures as dots.' },
    { form: 'markdown', words: 'Markdown', sentence: 'A text with its pictures as SVG and PNG and its tables as CSV, in a zip.' },
    { form: 'tables', words: 'Tables and pictures', sentence: 'CSV and SVG alone, in a zip.' },
] as const;

type Form = (typeof forms)[number]['form'];

/** The report as a file. */
export function HandOver({ dataset }: { dataset: number }) {
    const [size, setSize] = useState<'a4' | 'letter'>('a4');
    const make = useMutation({
        mutationFn: async (form: Form) => {
            const answer = await api.GET('/datasets/{dataset}/report/{form}', {
                params: { path: { dataset, form }, query: { size } },
                parseAs: 'blob',
            });
            const name = /filename="([^"]+)"/.exec(answer.response.headers.get('Content-Disposition') ?? '')?.[1] ?? `report.${form}`;
            saveBlob(answer.data as unknown as Blob, name);
        },
        meta: { isSaidInPlace: true },
    });
    return (
        <WordPopover label="Hand it over" words="Hand it over" className="w-110 max-w-[94vw] p-4" wordClassName="inline-block min-h-6">
            <ul>
                {forms.map(({ form, words, sentence }) => (
                    <li key={form} className="flex items-baseline gap-3 border-b border-hair py-2">
                        <Button
                            className="w-40 shrink-0 justify-center px-2! py-0.5!"
                            disabled={make.isPending}
                            aria-label={`Hand over as ${words}`}
                            onClick={() => make.mutate(form)}
                        >
                            {words}
                        </Button>
                        <span className="text-small text-soft">{sentence}</span>
                    </li>
                ))}
            </ul>
            <p className="mt-2 text-small text-soft">
                On paper of{' '}
                <WordChoice
                    name="Paper"
                    options={[
                        { value: 'a4', words: 'A4' },
                        { value: 'letter', words: 'Letter' },
                    ]}
                    value={size}
                    onChange={(to) => setSize(to === 'letter' ? 'letter' : 'a4')}
                />
                .
            </p>
            {make.isPending && <p className="mt-2 text-small">Being made …</p>}
            {make.isError && (
                <p role="alert" className="mt-2 text-small text-alarm">
                    {make.error instanceof Refusal ? make.error.message : 'It could not be made. Try again.'}
                </p>
            )}
        </WordPopover>
    );
}
