<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Accounts\OneTimeCode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Codes as RFC 6238 gives them in its appendix B (the last six of its eight digits). */
final class OneTimeCodeTest extends TestCase
{
    /** "12345678901234567890" in base32. */
    private const KEY = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';

    /** @return iterable<int, array{int, string}> */
    public static function moments(): iterable
    {
        foreach ([59 => '287082', 1111111109 => '081804', 1111111111 => '050471', 1234567890 => '005924', 2000000000 => '279037', 20000000000 => '353130'] as $time => $code) {
            yield $time => [$time, (string) $code];
        }
    }

    #[DataProvider('moments')]
    public function test_the_code_of_a_moment(int $time, string $code): void
    {
        self::assertSame($code, OneTimeCode::at(self::KEY, $time));
        self::assertSame(intdiv($time, 30), OneTimeCode::step(self::KEY, $code, $time, 0));
    }

    public function test_a_code_serves_for_its_neighbours_and_not_twice(): void
    {
        $code = OneTimeCode::at(self::KEY, 3000);
        self::assertSame(100, OneTimeCode::step(self::KEY, $code, 3029, 0));
        self::assertSame(100, OneTimeCode::step(self::KEY, $code, 3059, 99));
        self::assertNull(OneTimeCode::step(self::KEY, $code, 3060, 0), 'two steps later');
        self::assertNull(OneTimeCode::step(self::KEY, $code, 2969, 0), 'two steps before');
        self::assertNull(OneTimeCode::step(self::KEY, $code, 3000, 100), 'taken already');
        self::assertNull(OneTimeCode::step(self::KEY, '000000', 3000, 0));
    }

    public function test_a_new_key_is_long_and_its_own(): void
    {
        self::assertMatchesRegularExpression('/^[A-Z2-7]{32}$/', OneTimeCode::newSecret());
        self::assertNotSame(OneTimeCode::newSecret(), OneTimeCode::newSecret());
        self::assertSame('otpauth://totp/Row%20Tally%3Aada%40example.org?secret=ABC&issuer=Row%20Tally', OneTimeCode::address('ABC', 'Row Tally', 'ada@example.org'));
    }
}
