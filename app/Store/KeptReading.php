<?php

declare(strict_types=1);

namespace App\Store;

/** A sentence held for a report: as it stands there, which somebody may have edited, and as the rule said it. */
final readonly class KeptReading
{
    public const LONGEST = 2000;

    private function __construct(
        public string $sentence,
        public string $said,
        public string $rule,
        public string $source,
    ) {}

    /** @return self|null null where the text is none */
    public static function ofText(string $content): ?self
    {
        $fields = json_decode($content, true);
        $texts = [];
        foreach (['sentence', 'said', 'rule', 'source'] as $name) {
            $text = is_array($fields) ? $fields[$name] ?? null : null;
            if (!is_string($text) || mb_strlen($text) > self::LONGEST) {
                return null;
            }
            $texts[] = $text;
        }

        return trim($texts[0]) === '' ? null : new self(...$texts);
    }

    public function withSentence(string $sentence): self
    {
        return new self($sentence, $this->said, $this->rule, $this->source);
    }

    public function toText(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    /** @return array{sentence: string, said: string, rule: string, source: string} */
    public function toArray(): array
    {
        return ['sentence' => $this->sentence, 'said' => $this->said, 'rule' => $this->rule, 'source' => $this->source];
    }
}
