<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Store\DoneOnce;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A request that makes something and names itself (header Idempotency-Key) is done once: what comes again under the same name, because
 * somebody pressed twice or an answer was lost on the way, is given the first answer.
 *
 * Source  the header as in the draft "The Idempotency-Key HTTP Header Field" of the IETF's HTTPAPI group.
 */
final readonly class OnlyOnce
{
    /** Set on a request whose answer is only how far it is: asked again, it is looked at again. */
    public const NOT_THE_LAST_WORD = 'not-the-last-word';
    private const HEADER = 'Idempotency-Key';
    private const LONGEST = 200;
    private const WAIT_SECONDS = 20;
    private const LOOK_EVERY_MICROSECONDS = 100_000;

    public function __construct(private DoneOnce $doneOnce) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $name = (string) $request->headers->get(self::HEADER, '');
        $user = $request->user();
        if ($name === '' || !$request->isMethod('POST') || !$user instanceof User) {
            return $next($request);
        }
        if (strlen($name) > self::LONGEST) {
            return new JsonResponse(['message' => 'The name of a request (Idempotency-Key) has at most ' . self::LONGEST . ' characters.'], 422);
        }
        $key = hash('sha256', "{$user->id}|{$request->path()}|{$name}");
        if (!$this->doneOnce->begin($key)) {
            return $this->first($key) ?? new JsonResponse(['message' => 'The same is being done just now. Wait for it.'], 409);
        }
        $isKept = false;
        try {
            $response = $next($request);
            $isKept = $response->getStatusCode() < 500 && !$request->attributes->has(self::NOT_THE_LAST_WORD) && $this->doneOnce->finish($key, $response->getStatusCode(), (string) $response->getContent());

            return $response;
        } finally {
            if (!$isKept) {
                $this->doneOnce->forget($key);
            }
        }
    }

    private function first(string $key): ?Response
    {
        $until = microtime(true) + self::WAIT_SECONDS;
        do {
            $first = $this->doneOnce->answer($key);
            if (is_array($first)) {
                return JsonResponse::fromJsonString($first['answer'] === '' ? 'null' : $first['answer'], $first['status'], ['Idempotent-Replayed' => 'true']);
            }
            usleep(self::LOOK_EVERY_MICROSECONDS);
        } while ($first !== false && microtime(true) < $until);

        return null;
    }
}
