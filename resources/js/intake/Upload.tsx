import { useEffect, useState } from 'react';
import { useLocation } from 'wouter';
import type { Import } from '../api/client';
import { bytes } from '../ui/format';
import { ImportProgress } from './ImportProgress';
import { ProgressLine } from './ProgressLine';
import { LARGEST_FILE_BYTES, uploadFile } from './upload';

/** One file on its way: first sent, then looked at and imported. */
export function Upload({ file, isAlone, onDismiss }: { file: File; isAlone: boolean; onDismiss: () => void }) {
    const [, navigate] = useLocation();
    const [sent, setSent] = useState(0);
    const [started, setStarted] = useState<Import | null>(null);
    const tooLarge =
        file.size > LARGEST_FILE_BYTES
            ? `The file has ${bytes(file.size)}; at most 512 MB can be uploaded. Split it, or leave out columns that are not needed.`
            : null;
    const [error, setError] = useState<string | null>(tooLarge);
    useEffect(() => {
        if (file.size > LARGEST_FILE_BYTES) {
            return;
        }
        let isCurrent = true;
        const upload = uploadFile(file, setSent);
        upload.done.then(
            (answer) => {
                if (isCurrent) {
                    setStarted(answer);
                    // Of several files at once, each waits in the list for its look.
                    if (isAlone) {
                        navigate(`/imports/${answer.id}`);
                    }
                }
            },
            (reason: unknown) => isCurrent && setError(reason instanceof Error ? reason.message : String(reason)),
        );
        return () => {
            isCurrent = false;
            upload.stop();
        };
    }, [file, isAlone, navigate]);
    if (started !== null) {
        return <ImportProgress id={started.id} fileName={file.name} onDismiss={onDismiss} />;
    }
    return (
        <ProgressLine
            fileName={file.name}
            state={error === null ? 'running' : 'failed'}
            share={file.size === 0 ? 0 : sent / file.size}
            words={error ?? `Sending ${bytes(Math.min(sent, file.size))} of ${bytes(file.size)}`}
            action={{ words: error === null ? 'Stop' : 'Dismiss', onPress: onDismiss }}
        />
    );
}
