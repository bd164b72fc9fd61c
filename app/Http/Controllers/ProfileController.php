<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ProfileRequest;
use App\Http\Resources\ProfileResource;
use App\Models\Dataset;
use App\Store\ProfileVariables;

final class ProfileController
{
    public function show(Dataset $dataset, ProfileRequest $request, ProfileVariables $profile): ProfileResource
    {
        return new ProfileResource($profile->answer($dataset, $request->question()));
    }
}
