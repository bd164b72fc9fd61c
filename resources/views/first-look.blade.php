{{-- The figures before the scripts are there, in the places where those put them (resources/js/profile); a test holds both together. --}}
<div aria-busy="true" class="flex h-full flex-col">
    <header class="flex h-13 shrink-0 items-center gap-x-5 border-b border-hair bg-surface px-4.5 max-[72rem]:h-auto max-[72rem]:min-h-13 max-[72rem]:flex-wrap">
        <svg width="30" height="30" viewBox="0 0 32 32" aria-hidden="true" fill="none" stroke-linecap="round" stroke-width="2.6">
            <path stroke="var(--ink)" d="M8.4 7.2 7.8 25M13.6 7 13.2 25.2M18.9 6.8l-.3 18.3M24.1 7.1l-.4 17.8" />
            <path stroke="var(--accent)" d="M3.6 22.6 28.6 10" />
        </svg>
        <div class="flex min-w-0 flex-1 items-center gap-5 self-stretch max-[72rem]:order-last max-[72rem]:min-h-11 max-[72rem]:basis-full max-[72rem]:flex-wrap max-[72rem]:gap-x-5 max-[72rem]:gap-y-0 max-md:[&>h1]:basis-full">
            <h1 dir="auto" class="min-w-0 truncate text-base">{{ $look->title() }}</h1>
            <span class="shrink-0 text-small text-soft max-md:hidden">{{ $look->size() }}</span>
            <p class="ml-3 flex h-full max-w-full shrink-0 items-stretch font-medium max-[72rem]:ml-0 max-[72rem]:h-11">
                @foreach (['Rows', 'Profile', 'Compare', 'Report'] as $place)
                    <span class="flex items-center border-b-3 px-3 max-sm:px-2 {{ $place === 'Profile' ? 'border-accent' : 'border-transparent text-soft' }}">{{ $place }}</span>
                @endforeach
            </p>
        </div>
    </header>
    <div role="region" aria-label="Basis of every figure" class="shrink-0 border-b border-hair px-4.5 py-2.5 text-soft">
        <p class="text-lead leading-[1.72rem] small:truncate small:text-body small:leading-6">{{ $look->basis() }}</p>
    </div>
    <div class="relative flex min-h-0 flex-1 small:flex-col">
        <aside aria-label="Variables" class="flex w-66 shrink-0 flex-col overflow-hidden border-r border-hair pt-3 small:hidden">
            <p class="mx-4 border-b border-hair pb-2.5 text-small leading-6 text-soft">split by @if ($look->isSplit())<br><span class="mt-1.5 inline-block">and within it by</span>@endif</p>
            <p class="mx-2 mt-2 rounded-md px-2 py-1.5 {{ $look->isOverview ? 'bg-accent-wash font-semibold' : '' }}">All variables at a glance</p>
            <ul class="mt-17 min-h-0 flex-1 py-2">
                @foreach ($look->variables() as $variable)
                    <li class="flex h-9 items-center gap-2 pr-4 pl-10 {{ $variable['is_chosen'] ? 'bg-accent-wash' : '' }}">
                        <span class="min-w-0 flex-1 truncate"><bdi>{{ $variable['name'] }}</bdi> <span class="text-fine text-soft">{{ $variable['note'] }}</span></span>
                        @include('first-bars', ['bars' => $variable['bars'], 'isMuted' => !$variable['is_chosen']])
                    </li>
                @endforeach
            </ul>
        </aside>
        <main tabindex="0" class="relative min-w-0 flex-1 overflow-y-auto px-6 pt-3 pb-10">
            <p class="mb-2 text-small leading-5.5 text-soft">Shown:</p>
            @if (!$look->isOverview)
                @foreach ($look->sheets() as $sheet)
                    <section class="border-b border-hair pt-4 pb-8 last:border-b-0">
                        <div class="mb-2 flex flex-wrap items-baseline gap-x-3">
                            <h2 dir="auto" class="max-w-full text-title break-words">{{ $sheet['name'] }}</h2>
                            <span class="mr-3 min-h-6 text-small text-soft">{{ $sheet['unit'] === '' ? '' : $sheet['unit'] . ' · ' }}{{ $sheet['note'] }}</span>
                        </div>
                        @if ($sheet['rows'] !== [])
                            <div tabindex="0" role="region" aria-label="Figures" class="max-w-full overflow-x-auto {{ count($look->columns()) <= 5 ? 'xl:max-w-[54%]' : '' }}">
                                <table class="border-collapse text-small whitespace-nowrap">
                                    <thead>
                                        <tr>
                                            <td></td>
                                            @foreach ($look->columns() as $column)
                                                <th scope="col" class="max-w-32 px-2 pb-1 text-right align-bottom text-small font-medium whitespace-normal text-soft">
                                                    <bdi class="line-clamp-3 break-words">{{ $column['name'] }}</bdi>
                                                    <span aria-hidden="true" class="mt-1 block h-0.75 rounded-full" style="background: {{ $column['colour'] }}"></span>
                                                </th>
                                            @endforeach
                                        </tr>
                                    </thead>
                                    <tbody>
                                        @foreach ($sheet['rows'] as $row)
                                            <tr class="border-b border-hair">
                                                <th scope="row" class="py-1 pr-3 text-left font-normal">{{ $row['label'] }} @if ($row['symbol'] !== '')<i class="ml-0.5 font-serif text-small text-soft">{{ $row['symbol'] }}</i>@endif @if ($row['squared'] !== '')<span class="ml-1 text-fine text-soft">{{ $row['squared'] }}</span>@endif</th>
                                                @foreach ($row['cells'] as $cell)
                                                    @if ($cell['reason'] !== null)
                                                        <td data-figure="{{ $row['key'] }}" class="max-w-32 min-w-24 px-2 py-1 text-right text-fine leading-tight whitespace-normal text-soft">{{ $cell['reason'] }}</td>
                                                    @else
                                                        <td data-figure="{{ $row['key'] }}" class="figures px-2 py-1 text-right {{ $loop->first ? 'font-semibold' : '' }}">{{ $cell['text'] }}@if ($cell['room'] !== '')<span aria-hidden="true" class="invisible select-none">{{ $cell['room'] }}</span>@endif</td>
                                                    @endif
                                                @endforeach
                                            </tr>
                                        @endforeach
                                    </tbody>
                                </table>
                            </div>
                        @endif
                    </section>
                @endforeach
            @else
                <div class="mb-2 flex flex-wrap items-baseline gap-x-6 gap-y-1">
                    <h2 class="min-h-6 text-title">Overview</h2>
                </div>
                <div tabindex="0" role="region" aria-label="Figures" class="max-w-full overflow-x-auto">
                    <table class="border-collapse text-small whitespace-nowrap">
                        <thead>
                            <tr class="border-b border-hair-strong text-soft">
                                <th scope="col" class="py-1 pr-3 text-left align-bottom text-fine font-normal">Variable</th>
                                <th aria-hidden="true"></th>
                                @foreach ($look->heads() as $head)
                                    <th scope="col" class="max-w-20 px-1 py-1 text-right align-bottom text-fine leading-tight font-normal whitespace-normal 2xl:px-2">{{ $head['label'] }} @if ($head['symbol'] !== '')<i class="font-serif">{{ $head['symbol'] }}</i>@endif</th>
                                @endforeach
                            </tr>
                        </thead>
                        @foreach ($look->sheets() as $sheet)
                            <tbody class="border-b border-hair">
                                @foreach ($sheet['rows'] === [] ? array_slice($look->columns(), 0, 1) : $look->columns() as $place => $column)
                                    <tr>
                                        @if ($place === 0)
                                            <th scope="row" class="max-w-64 py-1 pr-3 text-left font-normal"><bdi class="inline-block max-w-60 truncate align-bottom font-semibold">{{ $sheet['name'] }}</bdi>@if ($sheet['unit'] !== '')<span class="ml-1.5 text-fine text-soft">{{ $sheet['unit'] }}</span>@endif</th>
                                            <td class="py-1 pr-3">@include('first-bars', ['bars' => $sheet['bars'], 'isMuted' => $sheet['rows'] === []])</td>
                                        @else
                                            <th scope="row" class="max-w-64 truncate py-0.5 pr-4 pl-4 text-left font-normal text-soft"><span aria-hidden="true" class="mr-2 inline-block h-2.5 w-1 rounded-full align-middle" style="background: {{ $column['colour'] }}"></span><bdi>{{ $column['name'] }}</bdi></th>
                                            <td></td>
                                        @endif
                                        @foreach ($sheet['rows'] as $row)
                                            @if ($row['cells'][$place]['reason'] !== null)
                                                <td data-figure="{{ $row['key'] }}" class="max-w-24 truncate px-1 text-right text-fine text-soft 2xl:px-2">{{ $row['cells'][$place]['reason'] }}</td>
                                            @else
                                                <td data-figure="{{ $row['key'] }}" class="figures px-1 py-1 text-right 2xl:px-2">{{ $row['cells'][$place]['text'] }}</td>
                                            @endif
                                        @endforeach
                                    </tr>
                                @endforeach
                            </tbody>
                        @endforeach
                    </table>
                </div>
            @endif
        </main>
    </div>
</div>
