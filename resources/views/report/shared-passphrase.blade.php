<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>A passphrase is asked for</title>
    <style>{!! file_get_contents(resource_path('views/report/paper.css')) !!}</style>
</head>
<body>
<main>
    <h1>A passphrase is asked for</h1>
    @if ($sentence !== null)
        <p class="lacks" role="alert">{{ $sentence }}</p>
    @endif
    <form method="post">
        <p><label for="passphrase">The passphrase that came with the link</label></p>
        <p><input id="passphrase" name="passphrase" type="password" required maxlength="200" autocomplete="off" autofocus> <button>Read it</button></p>
    </form>
</main>
</body>
</html>
