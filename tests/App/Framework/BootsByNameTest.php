<?php

declare(strict_types=1);

namespace Tests\App\Framework;

use App\Models\ColumnChunk;
use App\Models\Dataset;
use App\Models\Edition;
use App\Models\EditionFile;
use App\Models\FigureSet;
use App\Models\HeldContent;
use App\Models\Import;
use App\Models\Report;
use App\Models\ReportCheck;
use App\Models\ReportLink;
use App\Models\Revision;
use App\Models\Share;
use App\Models\User;
use App\Models\Variable;
use Illuminate\Database\Eloquent\Attributes\Boot;
use Illuminate\Database\Eloquent\Attributes\Initialize;
use Illuminate\Database\Eloquent\Attributes\ObservedBy;
use Illuminate\Database\Eloquent\Attributes\ScopedBy;
use Illuminate\Database\Eloquent\Model;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionClass;
use ReflectionMethod;
use Tests\App\AppTestCase;

final class BootsByNameTest extends AppTestCase
{
    /** @param class-string<Model> $model */
    #[DataProvider('models')]
    public function test_no_method_is_marked_as_one_that_boots(string $model): void
    {
        $marked = array_filter(
            (new ReflectionClass($model))->getMethods(),
            static fn(ReflectionMethod $method): bool => $method->getAttributes(Boot::class) !== [] || $method->getAttributes(Initialize::class) !== [],
        );

        self::assertSame([], array_values(array_map(static fn(ReflectionMethod $method): string => $method->getName(), $marked)));
    }

    /** @param class-string<Model> $model */
    #[DataProvider('models')]
    public function test_no_model_is_marked_as_scoped_or_observed(string $model): void
    {
        $class = new ReflectionClass($model);
        $marked = array_map(static fn(ReflectionClass $each): array => [...$each->getAttributes(ScopedBy::class), ...$each->getAttributes(ObservedBy::class)], [$class, ...array_values($class->getTraits())]);

        self::assertSame([], array_merge(...$marked));
    }

    public function test_of_the_traits_of_the_framework_nothing_more_is_to_be_booted(): void
    {
        $found = [];
        foreach (class_uses_recursive(Model::class) as $trait) {
            foreach (['boot', 'initialize'] as $what) {
                if (method_exists(Model::class, $what . class_basename($trait))) {
                    $found[] = $what . class_basename($trait);
                }
            }
        }
        sort($found);

        // The first two look for what no model is marked with; the third is named in `BootsByName`.
        self::assertSame(['bootHasEvents', 'bootHasGlobalScopes', 'initializeHasAttributes'], $found);
    }

    public function test_what_is_named_after_its_trait_is_booted(): void
    {
        // By such a method casts are what they are.
        self::assertSame('array', (new User())->getCasts()['chosen_figures'] ?? null);
    }

    /** @return array<string, array{class-string<Model>}> */
    public static function models(): array
    {
        return array_combine(
            ['ColumnChunk', 'Dataset', 'FigureSet', 'Import', 'Revision', 'User', 'Variable', 'Edition', 'EditionFile', 'HeldContent', 'Report', 'ReportCheck', 'ReportLink', 'Share'],
            array_map(static fn(string $model): array => [$model], [ColumnChunk::class, Dataset::class, FigureSet::class, Import::class, Revision::class, User::class, Variable::class, Edition::class, EditionFile::class, HeldContent::class, Report::class, ReportCheck::class, ReportLink::class, Share::class]),
        );
    }
}
