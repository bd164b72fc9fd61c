import { DefaultHttpStack, DetailedError, type HttpRequest, type HttpStack, Upload } from 'tus-js-client';
import { pageToken, Refusal } from '../api/client';

const PART_BYTES = 8 * 1024 * 1024;
/** A connection that is lost is waited for: after so long each, the last again and again. */
const AGAIN_AFTER_MS = [0, 1000, 3000, 5000, 10_000];
const NEVER = new Set([400, 401, 403, 404, 410, 413, 415, 419, 422, 507]);

/**
 * Sends a file in parts (tus). What has arrived of the same file before, in this browser, is not sent again: neither after a lost connection
 * nor after the page was closed.
 */
export function sendInParts(
    file: File,
    onProgress: (sentBytes: number) => void,
    onWaiting: (why: string | null) => void,
): { done: Promise<number>; stop: (isGivenUp: boolean) => void } {
    let upload: Upload | null = null;
    let reject: (reason: Error) => void = () => {};
    let again: ReturnType<typeof setTimeout> | undefined;
    const done = new Promise<number>((resolve, refuse) => {
        reject = refuse;
        const sending = new Upload(file, {
            endpoint: '/api/uploads',
            chunkSize: PART_BYTES,
            retryDelays: AGAIN_AFTER_MS,
            removeFingerprintOnSuccess: true,
            metadata: { filename: file.name },
            httpStack: summed(new DefaultHttpStack({})),
            onProgress: (sent) => {
                onWaiting(null);
                onProgress(sent);
            },
            onShouldRetry: (error) => !NEVER.has(statusOf(error)),
            onSuccess: () => resolve(Number(sending.url?.split('/').pop())),
            onError: (error) => {
                const status = error instanceof DetailedError ? statusOf(error) : 0;
                if (NEVER.has(status)) {
                    refuse(new Refusal(status, sentenceOf(error) ?? `The file could not be uploaded (${status}).`));
                } else {
                    // What has arrived stays there; it goes on from it.
                    onWaiting('The connection is lost. It goes on by itself once Row Tally answers; what has arrived is kept.');
                    again = setTimeout(() => sending.start(), AGAIN_AFTER_MS.at(-1));
                }
            },
        });
        upload = sending;
        void sending.findPreviousUploads().then((before) => {
            const [last] = before;
            if (last !== undefined) {
                sending.resumeFromPreviousUpload(last);
            }
            sending.start();
        });
    });
    return {
        done,
        stop: (isGivenUp) => {
            clearTimeout(again);
            void upload?.abort(isGivenUp).catch(() => undefined);
            reject(new Refusal(0, 'The upload was stopped.'));
        },
    };
}

function statusOf(error: DetailedError): number {
    return error.originalResponse?.getStatus() ?? 0;
}

function sentenceOf(error: Error): string | null {
    try {
        const body: unknown = JSON.parse((error instanceof DetailedError ? error.originalResponse?.getBody() : undefined) ?? '');
        return typeof body === 'object' && body !== null && 'message' in body && typeof body.message === 'string' ? body.message : null;
    } catch {
        return null;
    }
}

/** Each request shows that it comes from this page; each part has its sum with it, so that what was damaged on its way is not kept. */
function summed(stack: HttpStack): HttpStack {
    return {
        getName: () => stack.getName(),
        createRequest: (method, url) => {
            const request: HttpRequest = stack.createRequest(method, url);
            const send = request.send.bind(request);
            request.send = async (body: unknown) => {
                request.setHeader('Accept', 'application/json');
                request.setHeader('X-XSRF-TOKEN', pageToken());
                if (body instanceof Blob && window.isSecureContext) {
                    const sum = new Uint8Array(await crypto.subtle.digest('SHA-256', await body.arrayBuffer()));
                    request.setHeader('Upload-Checksum', `sha256 ${btoa(String.fromCharCode(...sum))}`);
                }
                return send(body);
            };
            return request;
        },
    };
}
