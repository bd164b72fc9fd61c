import { api, bodyOf, type Import, pageToken, Refusal } from '../api/client';

/** A file up to so long is sent at once; a longer one in parts, of which a lost connection costs one. */
const AT_ONCE_BYTES = 8 * 1024 * 1024;
export const LARGEST_FILE_BYTES = 4 * 1024 * 1024 * 1024;

interface Upload {
    done: Promise<Import>;
    /** Whether what has arrived is given up, too. */
    stop: (isGivenUp: boolean) => void;
}

/** Sends a file. `onWaiting` says why it stands still, and that it goes on by itself; null = it goes on. */
export function uploadFile(file: File, onProgress: (sentBytes: number) => void, onWaiting: (why: string | null) => void): Upload {
    if (file.size <= AT_ONCE_BYTES) {
        return sendAtOnce(file, onProgress);
    }
    let isStopped = false;
    let stop: Upload['stop'] = () => {
        isStopped = true;
    };
    const done = import('./parts').then(async ({ sendInParts }) => {
        if (isStopped) {
            throw new Refusal(0, STOPPED);
        }
        const parts = sendInParts(file, onProgress, onWaiting);
        stop = parts.stop;
        const upload = await parts.done;
        const form = new FormData();
        form.append('upload', String(upload));
        form.append('title', titleOf(file));
        return bodyOf(await api.POST('/imports', { body: form as never, bodySerializer: (body) => body as never }));
    });
    return { done, stop: (isGivenUp) => stop(isGivenUp) };
}

const STOPPED = 'The upload was stopped.';

function titleOf(file: File): string {
    return file.name.replace(/\.[^.]*$/, '').slice(0, 200);
}

/** Not through `fetch`: only this older way tells how much has gone out. */
function sendAtOnce(file: File, onProgress: (sentBytes: number) => void): Upload {
    const request = new XMLHttpRequest();
    const done = new Promise<Import>((resolve, reject) => {
        request.upload.onprogress = (event) => onProgress(event.loaded);
        request.onload = () => {
            const body: unknown = parsed(request.responseText);
            if (request.status === 202) {
                resolve(body as Import);
            } else {
                const sentence = (body as { message?: string } | null)?.message ?? `The file could not be uploaded (${request.status}).`;
                reject(new Refusal(request.status, sentence));
            }
        };
        request.onerror = () =>
            reject(new Refusal(0, 'The connection broke while the file was sent. Check that Row Tally is running, then upload it again.'));
        request.onabort = () => reject(new Refusal(0, STOPPED));
        request.open('POST', '/api/imports');
        request.setRequestHeader('Accept', 'application/json');
        request.setRequestHeader('X-XSRF-TOKEN', pageToken());
        const form = new FormData();
        form.append('file', file);
        form.append('bytes', String(file.size));
        // The name inside a form is escaped on the way (a quotation mark comes out as %22); a field of its own is not.
        form.append('title', titleOf(file));
        request.send(form);
    });
    return { done, stop: () => request.abort() };
}

function parsed(text: string): unknown {
    try {
        return JSON.parse(text) as unknown;
    } catch {
        return null;
    }
}
