import clsx from 'clsx';
import { type DragEvent, useRef, useState } from 'react';
import { Button } from '../ui/Button';
import { ImportProgress } from './ImportProgress';
import { useOpenImports } from './queries';
import { Upload } from './Upload';

/** Where files come in: chosen or dropped, then followed until they are datasets. */
export function Intake() {
    const input = useRef<HTMLInputElement>(null);
    const [files, setFiles] = useState<{ key: number; file: File }[]>([]);
    const [isOver, setIsOver] = useState(false);
    const openImports = useOpenImports();
    const add = (list: FileList | null) => {
        const added = [...(list ?? [])].map((file, i) => ({ key: Date.now() + i, file }));
        setFiles((before) => [...added, ...before]);
    };
    const drop = (event: DragEvent) => {
        event.preventDefault();
        setIsOver(false);
        add(event.dataTransfer.files);
    };
    return (
        <section
            aria-label="Bring in a file"
            onDragOver={(event) => {
                event.preventDefault();
                setIsOver(true);
            }}
            onDragLeave={() => setIsOver(false)}
            onDrop={drop}
            className={clsx('rounded-lg border border-dashed px-5 py-4', isOver ? 'border-accent bg-accent-wash' : 'border-hair-strong')}
        >
            <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
                <Button look="primary" onClick={() => input.current?.click()}>
                    Upload a CSV file
                </Button>
                <p className="min-w-60 flex-1 text-small text-soft">
                    or drop it here. Names in the first line; cells set apart by commas, semicolons or tabs; text in UTF-8; up to 512 MB.
                </p>
                <input
                    ref={input}
                    type="file"
                    accept=".csv,.tsv,.txt,text/csv,text/tab-separated-values,text/plain"
                    multiple
                    className="sr-only"
                    tabIndex={-1}
                    aria-label="CSV file"
                    onChange={(event) => {
                        add(event.target.files);
                        event.target.value = '';
                    }}
                />
            </div>
            {files.map(({ key, file }) => (
                <Upload key={key} file={file} onDismiss={() => setFiles((before) => before.filter((entry) => entry.key !== key))} />
            ))}
            {openImports.data?.map((open) => (
                <ImportProgress key={open.id} id={open.id} fileName={open.file_name} />
            ))}
        </section>
    );
}
