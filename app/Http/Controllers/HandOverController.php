<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Dataset;
use App\Report\Form;
use App\Report\HandOver;
use App\Report\MakePaper;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A report as a file. */
final class HandOverController
{
    public function show(Dataset $dataset, Form $form, Request $request, MakePaper $make, HandOver $handOver): Response
    {
        $paper = $make->of($dataset);
        $size = $request->query('size') === 'letter' ? 'letter' : 'a4';
        $name = $paper->slug() . '.' . $form->extension();

        return new Response($handOver->as($form, $paper, $size), 200, [
            'Content-Type' => $form->mediaType(),
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
            // A page that was handed over runs nothing, wherever it is opened.
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; sandbox",
        ]);
    }
}
