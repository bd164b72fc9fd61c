<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Guide\Topic;
use App\Guide\TopicKind;
use App\Guide\Topics;
use App\Guide\Tour;
use Illuminate\Http\JsonResponse;

/** The guide: a short page of everything that is shown, and a way through it. */
final class GuideController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(['kinds' => array_map(static fn(TopicKind $kind): array => ['kind' => $kind->value, 'words' => $kind->words()], TopicKind::cases()), 'topics' => array_map(static fn(Topic $topic): array => $topic->toArray(), Topics::all()), 'tour' => Tour::steps()]);
    }
}
