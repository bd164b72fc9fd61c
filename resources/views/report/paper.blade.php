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
            <h1 dir="auto">{{ $paper->title }}</h1>
        @endif
        <p class="soft" dir="auto">{{ $paper->subtitle }}</p>
    </header>
    {!! $above ?? '' !!}
    @foreach ($paper->blocks as $block)
        @include('report.block', ['block' => $block, 'files' => $files, 'widthsFor' => $widthsFor])
    @endforeach
    @if ($paper->method !== [])
        @include('report.method', ['method' => $paper->method])
    @endif
</main>
{!! $record ?? '' !!}
</body>
</html>
