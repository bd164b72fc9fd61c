<!doctype html>
<html lang="en" @if($look !== null) data-theme="{{ $look }}" @endif>
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ $started->look === null ? '' : $started->look->title() . ' · ' }}Row Tally</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @foreach ($started->ahead as $question)
        <link rel="preload" as="fetch" crossorigin="anonymous" href="{{ $question }}">
    @endforeach
    @vite('resources/js/main.tsx')
</head>
<body>
    <div id="app">
        @isset($started->look)
            @include('first-look', ['look' => $started->look])
        @endisset
    </div>
    {{-- What is to be seen first goes first. --}}
    @foreach ($files as $file)
        <link rel="modulepreload" href="{{ $file }}">
    @endforeach
    {{-- What every screen needs at once and never changes while it is open. It is data, which no policy runs. --}}
    <script type="application/json" id="conventions">{!! json_encode($conventions, JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_UNESCAPED_UNICODE) !!}</script>
    <script type="application/json" id="started">{!! json_encode((object) $started->answers, JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_UNESCAPED_UNICODE) !!}</script>
    <noscript>Row Tally draws its screens with JavaScript. Switch it on for this site, or use the command line: <code>php artisan tally:profile</code>.</noscript>
</body>
</html>
