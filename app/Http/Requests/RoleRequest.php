<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Share;
use Illuminate\Foundation\Http\FormRequest;

/** What somebody may do from now on, in a dataset or in a team. */
final class RoleRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $share = $this->route('share');

        return ['role' => ['required', 'string', $share instanceof Share && $share->team_id !== null ? 'in:reader,editor,keeper' : 'in:reader,editor']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['role' => ShareRequest::ROLE];
    }

    public function role(): string
    {
        return $this->string('role')->toString();
    }
}
