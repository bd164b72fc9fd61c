import clsx from 'clsx';
import { type DragEvent, useEffect, useRef, useState } from 'react';
import { useLocation } from 'wouter';
import { Button } from '../ui/Button';
import { bytes } from '../ui/format';
import { ImportProgress } from './ImportProgress';
import { Paste } from './Paste';
import { ProgressLine } from './ProgressLine';
import { useGiveUp, useOpenImports, useStartBlank, useUnfinished } from './queries';
import { Upload } from './Upload';

/** Where data come in: a file chosen or dropped, or a table pasted; then followed until they are datasets. */
export function BringIn() {
    const input = useRef<HTMLInputElement>(null);
    const [files, setFiles] = useState<{ key: number; file: File; isAlone: boolean }[]>([]);
    const [isOver, setIsOver] = useState(false);
    const [pasted, setPasted] = useState<string | null>(null);
    const openImports = useOpenImports();
    const unfinished = useUnfinished();
    const giveUp = useGiveUp();
    const blank = useStartBlank();
    const [, navigate] = useLocation();
    const add = (list: FileList | null) => {
        const all = [...(list ?? [])];
        const added = all.map((file, i) => ({ key: Date.now() + i, file, isAlone: all.length === 1 }));
        setFiles((before) => [...added, ...before]);
    };
    const drop = (event: DragEvent) => {
        event.preventDefault();
        setIsOver(false);
        add(event.dataTransfer.files);
    };
    useEffect(() => {
        const paste = (event: ClipboardEvent) => {
            const isTyping = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
            const text = event.clipboardData?.getData('text/plain') ?? '';
            if (!isTyping && text.trim() !== '') {
                setPasted(text);
            }
        };
        window.addEventListener('paste', paste);
        return () => window.removeEventListener('paste', paste);
    }, []);
    return (
        <section
            aria-label="Bring in data"
            onDragOver={(event) => {
                event.preventDefault();
                setIsOver(true);
            }}
            onDragLeave={() => setIsOver(false)}
            onDrop={drop}
            className={clsx('rounded-lg border border-dashed px-5 py-4', isOver ? 'border-accent bg-accent-wash' : 'border-hair-strong')}
        >
            <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
                <Button look="primary" onClick={() => input.current?.click()}>
                    Choose a file
                </Button>
                <Button onClick={() => setPasted((before) => (before === null ? '' : null))} aria-expanded={pasted !== null}>
                    Paste as text
                </Button>
                <Button
                    disabled={blank.isPending}
                    onClick={() => blank.mutate(undefined, { onSuccess: ({ id }) => navigate(`/datasets/${id}/rows`) })}
                >
                    Begin an empty one
                </Button>
                <p className="min-w-60 flex-1 pl-2 text-small text-soft">
                    or drop it here: CSV and its cousins, XLSX, ODS, JSON, JSON Lines, a zipped data package; up to 4 GB.
                </p>
                <input
                    ref={input}
                    type="file"
                    accept=".csv,.tsv,.txt,.tab,.xlsx,.xlsm,.ods,.json,.jsonl,.ndjson,.zip,text/*,application/json,application/zip"
                    multiple
                    className="sr-only"
                    tabIndex={-1}
                    aria-label="File with data"
                    onChange={(event) => {
                        add(event.target.files);
                        event.target.value = '';
                    }}
                />
            </div>
            {pasted !== null && <Paste key={pasted} text={pasted} />}
            {files.map(({ key, file, isAlone }) => (
                <Upload
                    key={key}
                    file={file}
                    isAlone={isAlone}
                    onDismiss={() => setFiles((before) => before.filter((entry) => entry.key !== key))}
                />
            ))}
            {unfinished.data
                // One that is sent on is told by its own line.
                ?.filter((one) => !files.some(({ file }) => file.name === one.file_name && file.size === one.bytes_total))
                .map((one) => (
                    <ProgressLine
                        key={one.id}
                        fileName={one.file_name}
                        state="running"
                        share={one.bytes_here / one.bytes_total}
                        words={`${bytes(one.bytes_here)} of ${bytes(one.bytes_total)} have arrived. Choose the same file again to go on from there.`}
                        action={{ words: 'Give it up', onPress: () => giveUp.mutate(one.id) }}
                    />
                ))}
            {openImports.data?.map((open) => (
                <ImportProgress key={open.id} id={open.id} fileName={open.title} />
            ))}
        </section>
    );
}
