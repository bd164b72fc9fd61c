<?php

declare(strict_types=1);

namespace Tests\faults;

use CurlHandle;
use RuntimeException;

/**
 * Asks the running application as a page does: signed in, with the proof that a change comes from the page, and with a name for each
 * change: a connection that breaks before the answer is taken up again with the same request.
 */
final class Browser
{
    private CurlHandle $curl;

    public function __construct(private readonly string $address)
    {
        $this->curl = curl_init();
        curl_setopt_array($this->curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => '', CURLOPT_TIMEOUT => 60, CURLOPT_NOPROXY => '*']);
        $this->signIn();
    }

    public function signIn(): void
    {
        for ($try = 0; $try < 100; ++$try) {
            $this->ask('GET', '/session');
            if ($this->ask('POST', '/session', ['email' => 'demo@rowtally.example', 'password' => 'fenmoor'])['status'] === 200) {
                return;
            }
            usleep(200_000);
        }
        throw new RuntimeException('The application does not let its demo account in.');
    }

    /**
     * @param array<string, mixed>|null $body
     * @param string|null               $file path of a file to be sent
     *
     * @return array{status: int, body: array<mixed>, text: string} status 0 where nothing answered
     */
    public function ask(string $method, string $path, ?array $body = null, ?string $file = null): array
    {
        $token = '';
        foreach ((array) curl_getinfo($this->curl, CURLINFO_COOKIELIST) as $cookie) {
            $fields = explode("\t", (string) $cookie);
            $token = $fields[5] === 'XSRF-TOKEN' ? rawurldecode($fields[6]) : $token;
        }
        $isForm = $file !== null || isset($body['text']) && $path === '/imports';
        curl_setopt_array($this->curl, [
            CURLOPT_URL => "{$this->address}/api{$path}",
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_HTTPHEADER => ['Accept: application/json', "X-XSRF-TOKEN: {$token}", 'Expect:', ...($isForm ? [] : ['Content-Type: application/json', 'Idempotency-Key: ' . bin2hex(random_bytes(16))])],
            CURLOPT_POSTFIELDS => match (true) {
                $isForm => [...($body ?? []), ...($file === null ? [] : ['file' => curl_file_create($file), 'bytes' => (string) filesize($file)])],
                $body === null => '',
                default => json_encode($body, JSON_THROW_ON_ERROR),
            },
        ]);
        $text = (string) curl_exec($this->curl);
        $told = json_decode($text, true);
        // What was cut off on its way tells nothing, whatever its first line said.
        $isWhole = curl_errno($this->curl) === 0;

        return ['status' => $isWhole ? (int) curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE) : 0, 'body' => is_array($told) ? $told : [], 'text' => $text];
    }
}
