<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PlaceFiles;
use App\Http\Resources\Conventions;
use App\Http\Resources\Started;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The one page that holds all screens. */
final class PageController
{
    /** How the screens looked last, light or dark: what the server draws is not to be seen in another. */
    public const LOOK = 'look';

    public function show(Request $request): Response
    {
        $look = $request->cookie(self::LOOK);

        return response()->view('page', [
            'conventions' => Conventions::all(),
            'started' => Started::of($request),
            'files' => PlaceFiles::of($request->path()),
            'look' => in_array($look, ['light', 'dark'], true) ? $look : null,
        ]);
    }
}
