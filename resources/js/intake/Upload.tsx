import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'wouter';
import type { Import } from '../api/client';
import { bytes } from '../ui/format';
import { ImportProgress } from './ImportProgress';
import { ProgressLine } from './ProgressLine';
import { LARGEST_FILE_BYTES, uploadFile } from './upload';

/** One file on its way: first sent, then looked at and imported. */
export function Upload({ file, isAlone, onDismiss }: { file: File; isAlone: boolean; onDismiss: () => void }) {
    const [, navigate] = useLocation();
    /** Stopped by hand; else what has arrived stays, to be gone on with. */
    const isGivenUp = useRef(false);
    const [sent, setSent] = useState(0);
    const [waiting, setWaiting] = useState<string | null>(null);
    const [started, setStarted] = useState<Import | null>(null);
    const tooLarge =
        file.size > LARGEST_FILE_BYTES
            ? `The file has ${bytes(file.size)}; at most 4 GB can be uploaded. Split it, or leave out columns that are not needed.`
            : null;
    const [error, setError] = useState<string | null>(tooLarge);
    useEffect(() => {
        if (file.size > LARGEST_FILE_BYTES) {
            return;
        }
        let isCurrent = true;
        const upload = uploadFile(file, setSent, setWaiting);
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
            upload.stop(isGivenUp.current);
        };
    }, [file, isAlone, navigate]);
    const give = () => {
        isGivenUp.current = true;
        onDismiss();
    };
    if (started !== null) {
        return <ImportProgress id={started.id} fileName={file.name} onDismiss={onDismiss} />;
    }
    return (
        <ProgressLine
            fileName={file.name}
            state={error === null ? 'running' : 'failed'}
            share={file.size === 0 ? 0 : sent / file.size}
            words={
                error ??
                waiting ??
                (sent < file.size
                    ? `Sending ${bytes(sent)} of ${bytes(file.size)}`
                    : `All ${bytes(file.size)} are here and are looked through`)
            }
            action={{ words: error === null ? 'Stop' : 'Dismiss', onPress: give }}
        />
    );
}
