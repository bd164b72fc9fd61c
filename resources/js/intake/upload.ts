import { type Import, pageToken, Refusal } from '../api/client';

export const LARGEST_FILE_BYTES = 512 * 1024 * 1024;

/** Sends a file. Not through `fetch`: only this older way tells how much has gone out. */
export function uploadFile(file: File, onProgress: (sentBytes: number) => void): { done: Promise<Import>; stop: () => void } {
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
        request.onabort = () => reject(new Refusal(0, 'The upload was stopped.'));
        request.open('POST', '/api/imports');
        request.setRequestHeader('Accept', 'application/json');
        request.setRequestHeader('X-XSRF-TOKEN', pageToken());
        const form = new FormData();
        form.append('file', file);
        form.append('bytes', String(file.size));
        // The name inside a form is escaped on the way (a quotation mark comes out as %22); a field of its own is not.
        form.append('title', file.name.replace(/\.[^.]*$/, '').slice(0, 200));
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
