<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\Conventions;
use Illuminate\Http\Response;

/** The one page that holds all screens. */
final class PageController
{
    public function show(): Response
    {
        return response()->view('page', ['conventions' => Conventions::all()]);
    }
}
