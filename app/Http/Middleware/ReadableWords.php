<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses what is no text at all: words that are not UTF-8, and a body that says it is JSON and is not. */
final class ReadableWords
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isJson() && $request->getContent() !== '' && !is_array(json_decode($request->getContent(), true, 64))) {
            return new JsonResponse(['message' => 'The body of the request is no JSON object.'], 400);
        }
        $isReadable = true;
        $check = static function (mixed $word, int|string $name) use (&$isReadable): void {
            $isReadable = $isReadable && mb_check_encoding((string) $name, 'UTF-8') && (!is_string($word) || mb_check_encoding($word, 'UTF-8'));
        };
        foreach ([$request->query->all(), $request->request->all(), ['path' => rawurldecode($request->path())]] as $words) {
            array_walk_recursive($words, $check);
        }

        return $isReadable ? $next($request) : new JsonResponse(['message' => 'Some of the words of the request are not UTF-8.'], 400);
    }
}
