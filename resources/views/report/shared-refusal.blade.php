<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>Nothing to read here</title>
    <style>{!! file_get_contents(resource_path('views/report/paper.css')) !!}</style>
</head>
<body>
<main>
    <h1>Nothing to read here</h1>
    <p>{{ $sentence }}</p>
</main>
</body>
</html>
