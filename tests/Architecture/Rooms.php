<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Who may use what: the drawing in ARCHITECTURE.md as rules that the static analysis runs. */
final class Rooms
{
    public function test_core_uses_only_itself_and_big_numbers(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('RowTally\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('RowTally\Core'), Selector::inNamespace('Brick\Math'))
            ->because('the rules of the job must stand without framework, database, HTTP and files');
    }

    public function test_intake_and_store_do_not_know_http(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Store'), Selector::inNamespace('App\Models'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'), Selector::inNamespace('Illuminate\Http'))
            ->because('the same services answer the address, the shell and the queue');
    }

    public function test_drawings_know_only_geometry(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Drawing'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('App\Drawing'), Selector::inNamespace('RowTally\Core'), Selector::inNamespace('Brick\Math'))
            ->because('a picture is drawn from what the page gets too, and nothing else')
        ;
    }

    public function test_http_asks_no_database(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http'))
            ->shouldNotDependOn()
            ->classes(Selector::classname('Illuminate\Support\Facades\DB'))
            ->because('a controller hands over to a use case');
    }

    public function test_the_reading_of_files_knows_no_framework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Intake'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('App\Intake'), Selector::inNamespace('App\Files'), Selector::inNamespace('RowTally\Core'), Selector::inNamespace('Brick\Math'), Selector::inNamespace('Symfony\Component\Process'))
            ->because('the command line reads files without a database, and an import without an address');
    }

    public function test_an_import_knows_no_http(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Imports'), Selector::inNamespace('App\Export'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('App\Console'), Selector::inNamespace('Illuminate\Http'))
            ->because('it is begun by a queue too');
    }
}
