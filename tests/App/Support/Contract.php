<?php

declare(strict_types=1);

namespace Tests\App\Support;

use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use RuntimeException;
use Symfony\Component\Yaml\Yaml;

/** Holds an answer of the API to api/openapi.yaml: its status must be foreseen and its body have the shape written there. */
final class Contract
{
    private const ID = 'https://rowtally.example/openapi.json';

    private static ?Validator $validator = null;
    /** @var array<string, mixed> */
    private static array $document = [];

    /** @param TestResponse<\Symfony\Component\HttpFoundation\Response> $answer */
    public static function assertMeets(string $operationId, TestResponse $answer): void
    {
        $validator = self::validator();
        $status = (string) $answer->getStatusCode();
        $pointer = self::pointer($operationId, $status);
        if ($pointer === null) {
            Assert::assertSame('', (string) $answer->getContent(), "{$operationId} {$status} has no body");

            return;
        }
        $result = $validator->validate(json_decode((string) $answer->getContent()), self::ID . '#' . $pointer);
        $error = $result->error();
        Assert::assertTrue($result->isValid(), "{$operationId} {$status}: " . ($error === null ? '' : json_encode((new ErrorFormatter())->format($error))));
    }

    private static function pointer(string $operationId, string $status): ?string
    {
        foreach (self::$document['paths'] as $path => $operations) {
            foreach ($operations as $method => $operation) {
                if (($operation['operationId'] ?? '') !== $operationId) {
                    continue;
                }
                $response = $operation['responses'][$status] ?? throw new RuntimeException("The contract foresees no {$status} for {$operationId}.");
                if (isset($response['$ref'])) {
                    return substr($response['$ref'], 1) . '/content/application~1json/schema';
                }

                return isset($response['content']) ? '/paths/' . str_replace(['~', '/', '{', '}'], ['~0', '~1', '%7B', '%7D'], $path) . "/{$method}/responses/{$status}/content/application~1json/schema" : null;
            }
        }
        throw new RuntimeException("The contract has no operation {$operationId}.");
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            self::$document = Yaml::parseFile(dirname(__DIR__, 3) . '/api/openapi.yaml');
            self::$validator = new Validator();
            $schema = json_decode((string) json_encode(['$id' => self::ID] + self::$document));
            self::$validator->resolver()?->registerRaw($schema);
        }

        return self::$validator;
    }
}
