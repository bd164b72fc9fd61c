<?php

declare(strict_types=1);

namespace Tests\App\Framework;

use Brick\Math\Internal\Calculator\NativeCalculator;
use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Session\Middleware\StartSession;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ReflectionMethod;

/**
 * What `app/Framework`, and the core's `ShortFirst`, put in the place of parts of the framework was written beside these methods as they were. One that has changed is
 * read, ours is held beside it, and only then is its mark here made new.
 */
final class InternalsTest extends TestCase
{
    /** @return iterable<string, array{class-string, string, string}> the method, and what it said: the first digits of a hash of its text */
    public static function methods(): iterable
    {
        foreach ([
            [Model::class, 'bootTraits', '80f53bb05c8f'],
            [EloquentUserProvider::class, 'retrieveById', '4e13ac6abecd'],
            [DatabaseSessionHandler::class, 'read', 'a58dede8f1f9'],
            [DatabaseSessionHandler::class, 'write', '5d442b9d6712'],
            [DatabaseSessionHandler::class, 'expired', '49160fc301db'],
            [StartSession::class, 'storeCurrentUrl', '6307ba191b4b'],
            [StartSession::class, 'handleStatefulRequest', '76a3aa7f95e7'],
            [StartSession::class, 'getSession', '015ba4390f50'],
            [StartSession::class, 'addCookieToResponse', 'ef4a623ec7db'],
            [ValidateCsrfToken::class, 'addCookieToResponse', 'f9621033a42f'],
            [FormRequest::class, 'validationRules', '1a05590709a3'],
            [FormRequest::class, 'validateResolved', '4543550eafb7'],
            [Model::class, 'resolveRouteBinding', 'c2f8f138ac97'],
            [Model::class, 'bootHasEvents', '17553a8cb510'],
            [Model::class, 'bootHasGlobalScopes', '6c40ca17a646'],
            [NativeCalculator::class, 'add', '27113c1d33e6'],
        ] as $method) {
            yield "{$method[0]}::{$method[1]}" => $method;
        }
    }

    /** @param class-string $class */
    #[DataProvider('methods')]
    public function test_the_method_that_is_replaced_or_leaned_on_is_as_it_was(string $class, string $name, string $mark): void
    {
        $method = new ReflectionMethod($class, $name);
        $lines = array_slice((array) file((string) $method->getFileName()), $method->getStartLine() - 1, $method->getEndLine() - $method->getStartLine() + 1);

        self::assertSame($mark, substr(sha1((string) preg_replace('/\s+/', ' ', implode('', $lines))), 0, 12));
    }
}
