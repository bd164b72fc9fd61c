<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <meta name="generator" content="Row Tally">
    <title>{{ $paper->title }}</title>
    <style>
        {!! $faces !!}
        {!! $style !!}
        @@page { size: {{ $size }}; @@top-center { content: {!! $running !!}; } }
    </style>
</head>
<body>
<main>
    <header>
        {{-- What makes files for word processors writes the title itself. --}}
        @if ($files === null)
            <h1>{{ $paper->title }}</h1>
        @endif
        <p class="soft">{{ $paper->subtitle }}</p>
    </header>
    @foreach ($paper->blocks as $place => $block)
        <section>
            <h2>{{ $block->title }}</h2>
            @if ($block->svg !== null)
                @if (isset($files[$place]))
                    <p><img src="{{ $files[$place] }}" alt="{{ $block->alternative() }}" width="620"></p>
                    <p><b>{{ $block->number }}.</b> {{ $block->caption }}</p>
                @else
                    <figure>
                        {!! $block->inlineSvg($place) !!}
                        <figcaption><b>{{ $block->number }}.</b> {{ $block->caption }}</figcaption>
                    </figure>
                @endif
            @elseif ($block->cells !== null)
                <div class="wide">
                    <table>
                        <caption>{!! $block->number === null ? '' : '<b>' . e($block->number) . '.</b> ' !!}{{ $block->caption }}</caption>
                        <thead>
                        <tr>
                            @foreach ($block->cells[0] ?? [] as $i => $cell)
                                <th scope="col"{!! $block->isText($i) ? ' class="text"' : '' !!}>{{ $cell }}</th>
                            @endforeach
                        </tr>
                        </thead>
                        <tbody>
                        @foreach (array_slice($block->cells, 1) as $row)
                            <tr>
                                @foreach ($row as $i => $cell)
                                    @if ($i === 0)
                                        <th scope="row">{!! $block->cell($cell, $i) !!}</th>
                                    @else
                                        <td{!! $block->isText($i) ? ' class="text"' : '' !!}>{!! $files === null ? $block->cell($cell, $i) : e($cell) !!}</td>
                                    @endif
                                @endforeach
                            </tr>
                        @endforeach
                        </tbody>
                    </table>
                </div>
            @elseif ($block->sentence !== null)
                <p class="said">{{ $block->sentence }}</p>
                <p class="fine">{{ $block->caption }}</p>
            @endif
            @foreach ($block->words as $pieces)
                <p>{!! $block->html($pieces) !!}</p>
            @endforeach
        </section>
    @endforeach
    <section class="method">
        <h2>How it was done</h2>
        @foreach ($paper->method as $part)
            <h3>{{ $part['name'] }}</h3>
            <ul>
                @foreach ($part['lines'] as $line)
                    <li>{{ $line }}</li>
                @endforeach
            </ul>
        @endforeach
    </section>
</main>
</body>
</html>
