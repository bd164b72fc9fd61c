<?php

declare(strict_types=1);

namespace App\Http\Requests;

/**
 * Whether a word of an address is plainly what its rules want, so that no validator need be asked. What is not plainly right may be right
 * all the same: the validator says so, or says what is wrong.
 */
final class PlainWord
{
    /** Of more digits it may be more than a machine's whole number holds. */
    private const WHOLE = '/^(0|[1-9][0-9]{0,14})$/D';

    /** @param list<mixed> $rules as Laravel takes them */
    public static function keeps(array $rules, mixed $word): bool
    {
        if ($word === null) {
            return ($rules[0] ?? null) === 'nullable';
        }
        $isNumber = in_array('integer', $rules, true);
        if (!is_string($word) || ($isNumber && preg_match(self::WHOLE, $word) !== 1)) {
            return false;
        }
        $size = $isNumber ? (int) $word : mb_strlen($word);
        foreach ($rules as $rule) {
            [$name, $limit] = is_string($rule) ? explode(':', $rule, 2) + [1 => ''] : ['', ''];
            $holds = match ($name) {
                'nullable', 'string', 'integer' => true,
                'max' => $size <= (int) $limit,
                'min' => $isNumber && $size >= (int) $limit,
                'in' => in_array($word, explode(',', $limit), true),
                default => false,
            };
            if (!$holds) {
                return false;
            }
        }

        return true;
    }
}
