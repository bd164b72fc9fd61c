<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\Document\FillPlan;
use App\Report\Document\Plan;
use App\Report\Document\ReportDocument;
use Illuminate\Foundation\Http\FormRequest;

/** A new report: empty, or filled by a plan for chosen variables. */
final class BeginReportRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:' . Block::LONGEST_TITLE],
            'plan' => ['nullable', 'string', 'in:' . implode(',', array_column(Plan::cases(), 'value'))],
            'of' => ['sometimes', 'array', 'max:60'],
            'of.*' => ['string', 'max:100'],
            'by' => ['nullable', 'string', 'max:100'],
            'address' => ['nullable', 'string', 'max:8000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title' => 'A title has 1 to 200 characters.', 'plan' => 'A plan is one of: ' . implode(', ', array_column(Plan::cases(), 'value')) . '.', 'of' => 'At most 60 variables have a part in it.'];
    }

    public function document(Dataset $dataset): ReportDocument
    {
        $plan = Plan::tryFrom($this->string('plan')->toString());
        $title = $this->string('title')->toString();
        if ($plan === null) {
            return ReportDocument::titled($title);
        }
        $of = array_values(array_filter((array) $this->input('of', []), is_string(...)));

        return FillPlan::of($dataset, $plan, $of, $this->string('by')->toString(), $this->string('address')->toString(), $title);
    }
}
