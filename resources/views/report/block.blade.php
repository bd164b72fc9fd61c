{{-- One block of a report. $files: pictures as files by block, for what shows no SVG; null = drawn. --}}
@php($numbered = $block->number === null ? '' : '<b>' . e($block->number) . '.</b> ')
@if ($block->level > 0)
    @if ($block->level === 1)
        <h2 id="{{ $block->id }}" dir="auto">{{ $block->title }}</h2>
    @else
        <h3 id="{{ $block->id }}" dir="auto">{{ $block->title }}</h3>
    @endif
@else
    <section id="{{ $block->id }}">
        @if ($block->number === null && $block->title !== '')
            <h3 dir="auto">{{ $block->title }}</h3>
        @endif
        @if ($block->svg !== null && isset($files[$block->id]))
            <p><img src="{{ $files[$block->id] }}" alt="{{ $block->alternative() }}" width="620"></p>
            <p>{!! $numbered !!}<strong>{{ $block->title }}</strong> {{ $block->caption }}</p>
        @elseif ($block->svg !== null)
            <figure>
                {!! $block->inlineSvg() !!}
                <figcaption>{!! $numbered !!}@if ($block->number !== null)<span class="name" dir="auto">{{ $block->title }}</span> @endif{{ $block->caption }}</figcaption>
            </figure>
        @endif
        @foreach ($block->tables as $t => $table)
            @foreach ($table->parts() as $p => $part)
                @php($looks = $part->looks())
                <div class="wide{{ $part->isShort() ? ' short' : '' }}">
                    @php($widths = $widthsFor === null ? [] : \App\Report\Forms\ColumnWidths::of($part, $widthsFor))
                    <table{!! $widths === [] ? '' : ' class="laid" style="width:' . array_sum($widths) . 'px"' !!}>
                        @if ($t === 0)
                            <caption>{!! $numbered !!}@if ($p > 0)<span>(continued)</span> @endif @if ($block->number !== null)<span class="name" dir="auto">{{ $block->title }}</span>@endif</caption>
                        @elseif ($p > 0)
                            <caption>(continued)</caption>
                        @endif
                        @foreach ($widths as $width)
                            <col style="width:{{ $width }}px">
                        @endforeach
                        <thead>
                        <tr>
                            @foreach ($part->cells[0] ?? [] as $i => $cell)
                                @if ($i === 0 && $cell === '')
                                    <td></td>
                                @else
                                    <th scope="col"{!! $looks[0][$i] === '' ? '' : ' class="text"' !!}>{!! $part->html(0, $i) !!}</th>
                                @endif
                            @endforeach
                        </tr>
                        </thead>
                        <tbody>
                        @foreach ($part->cells as $r => $row)
                            @continue($r === 0)
                            <tr>
                                @foreach ($row as $i => $cell)
                                    @if ($i === 0)
                                        <th scope="row">{!! $part->html($r, $i) !!}</th>
                                    @else
                                        <td{!! $looks[$r][$i] === '' ? '' : " class=\"{$looks[$r][$i]}\"" !!}>{!! $files === null ? $part->html($r, $i) : e($cell) !!}</td>
                                    @endif
                                @endforeach
                            </tr>
                        @endforeach
                        </tbody>
                    </table>
                </div>
            @endforeach
        @endforeach
        @foreach ($block->said as $sentence)
            <p class="said">{{ $sentence }}</p>
        @endforeach
        @if ($block->svg === null && $block->caption !== '' && ($block->tables !== [] || $block->said !== []))
            <p class="fine">{{ $block->caption }}</p>
        @endif
        @if ($block->tables === [] && $block->said === [] && $block->svg === null && $block->lacks !== [] && $block->words === null)
            <p class="lacks">{!! $numbered !!}{{ $block->title }} — {{ implode(' ', $block->lacks) }}</p>
        @endif
        @if ($block->words !== null)
            <div class="words">{!! $block->words->html !!}</div>
        @endif
    </section>
@endif
