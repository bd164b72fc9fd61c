<?php

declare(strict_types=1);

namespace App\Drawing;

/** Every kind of picture. */
final class Pictures
{
    /** @var list<class-string<Picture>> in the order in which they are offered */
    private const ALL = [
        StackScene::class,
        BoxesScene::class,
        StemsScene::class,
        DotsScene::class,
        QqScene::class,
        StripsScene::class,
        StepsScene::class,
        SlopesScene::class,
        LabelsScene::class,
        ClassesScene::class,
        AgainstScene::class,
        TenthsScene::class,
    ];
    /** Those that have a place of their own on the sheet; the others stand beside, to be opened one by one. */
    private const PLACED = [StackScene::class, LabelsScene::class, ClassesScene::class, AgainstScene::class, TenthsScene::class];

    /** @return list<class-string<Picture>> */
    public static function all(): array
    {
        return self::ALL;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_map(static fn(string $picture): string => $picture::kind(), self::ALL);
    }

    /** @return list<array{kind: string, name: string, beside: bool}> */
    public static function listed(): array
    {
        return array_map(static fn(string $picture): array => ['kind' => $picture::kind(), 'name' => $picture::name(), 'beside' => !in_array($picture, self::PLACED, true)], self::ALL);
    }

    /** @return class-string<Picture>|null */
    public static function of(string $kind): ?string
    {
        foreach (self::ALL as $picture) {
            if ($picture::kind() === $kind) {
                return $picture;
            }
        }

        return null;
    }
}
