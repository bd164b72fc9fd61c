<?php

declare(strict_types=1);

namespace App\Guide;

use BackedEnum;
use ReflectionClass;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Reason;

/** A docblock as somebody reads it who does not know the code: its first words, and what stands behind its labels. */
final readonly class DocText
{
    /**
     * @param array<string, string> $fields by label
     * @param class-string          $class  whose constants it may name
     */
    private function __construct(public string $what, private array $fields, private string $class) {}

    /** @param class-string $class */
    public static function ofClass(string $class): self
    {
        return self::of((string) (new ReflectionClass($class))->getDocComment(), $class);
    }

    /** @param class-string $class */
    public static function ofProperty(string $class, string $property): self
    {
        return self::of((string) (new ReflectionClass($class))->getProperty($property)->getDocComment(), $class);
    }

    /** What it says behind the name of what it is about. */
    public function whatOf(string $title): string
    {
        return preg_match('/^' . preg_quote($title, '/') . '[^:]{0,24}: (.*)$/isu', $this->what, $part) === 1 ? self::asSentence(ucfirst($part[1])) : $this->what;
    }

    /** One of its fields, as a sentence; what it only points to is taken from there. */
    public function field(string $label): ?string
    {
        $text = $this->fields[$label] ?? null;
        if ($text === null || str_starts_with($text, 'no convention') || $text === 'never.') {
            return null;
        }
        if (preg_match('/^see `(\w+)`(?:\.?$|; )(.*)$/', $text, $part) === 1 && ($class = self::named($part[1])) !== null) {
            $there = trim(self::ofClass($class)->field($label) . ($part[2] === '' ? '' : ' ' . self::asSentence(self::inWords($part[2], $this->class))));

            return $there === '' ? null : $there;
        }

        return self::asSentence(self::inWords($text, $this->class));
    }

    /** @param class-string $class */
    private static function of(string $comment, string $class): self
    {
        $lines = explode("\n", (string) preg_replace("/^\s*\\/\*\*|\*\\/\s*$/", '', $comment));
        $what = [];
        $fields = [];
        $label = null;
        foreach ($lines as $line) {
            $text = (string) preg_replace('/^\s*\*? ?/', '', $line);
            if (str_starts_with(trim($text), '@')) {
                break;
            }
            if (preg_match('/^([A-Z][a-z]+(?: [a-z]+)?)  +(\S.*)$/', $text, $part) === 1) {
                $label = $part[1];
                $fields[$label] = $part[2];
            } elseif (trim($text) === '') {
                $label = null;
            } elseif ($label !== null && str_starts_with($text, '  ')) {
                $fields[$label] .= ' ' . trim($text);
            } elseif ($label === null && $fields === []) {
                $what[] = trim($text);
            }
        }

        return new self(self::asSentence(self::inWords(implode(' ', $what), $class)), $fields, $class);
    }

    /**
     * Names of code as what they stand for.
     *
     * @param class-string $class
     */
    private static function inWords(string $text, string $class): string
    {
        $text = (string) preg_replace_callback('/Reason::(\w+)/', static fn(array $name): string => '“' . self::reason($name[1]) . '”', $text);
        // "see `Quartiles`" is of use to whoever has the code.
        $text = (string) preg_replace('/[;,]? see `\w+`(?=[.;,]|$)/', '', $text);

        return (string) preg_replace_callback('/`([^`]+)`/', static fn(array $name): string => self::titleOf($name[1], $class), $text);
    }

    private static function reason(string $name): string
    {
        foreach (Reason::cases() as $reason) {
            if ($reason->name === $name) {
                return $reason->value;
            }
        }

        return $name;
    }

    /**
     * "KurtosisError" is "standard error of kurtosis"; a word of the address stays as it is, a constant is its number.
     *
     * @param class-string $of
     */
    private static function titleOf(string $name, string $of): string
    {
        $class = self::named($name);
        if ($class === null) {
            $constant = (new ReflectionClass($of))->getReflectionConstant($name);
            $value = $constant === false ? null : $constant->getValue();

            return is_int($value) ? NumberMarks::count($value) : $name;
        }
        $what = self::ofClass($class)->what;

        return lcfirst((string) preg_replace('/[.:;,(].*$/su', '', $what));
    }

    /** @return class-string|null a class of the core by its short name */
    private static function named(string $name): ?string
    {
        foreach (['Figures', 'Quantiles', 'Plots', 'Observations', 'Normality', 'Basis', 'Comparison', 'Grouped', 'Values'] as $room) {
            $class = "RowTally\\Core\\{$room}\\{$name}";
            if (class_exists($class) || (enum_exists($class) && is_subclass_of($class, BackedEnum::class))) {
                return $class;
            }
        }

        return null;
    }

    private static function asSentence(string $text): string
    {
        $text = trim($text);

        // Symbols keep their letters: g₁ is not G₁.
        return $text === '' ? '' : (preg_match('/^[a-z]{2,}[ ,]|^a /', $text) === 1 ? ucfirst($text) : $text) . (preg_match('/[.!?]$/', $text) === 1 ? '' : '.');
    }
}
