<section class="method">
    <h2>How it was done</h2>
    @foreach ($method as $part)
        <h3>{{ $part['name'] }}</h3>
        <ul>
            @foreach ($part['lines'] as $line)
                <li dir="auto">{{ $line['text'] }}</li>
            @endforeach
        </ul>
    @endforeach
</section>
