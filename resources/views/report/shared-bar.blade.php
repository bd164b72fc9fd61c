@if ($files !== [] || $hasRows)
    <nav class="fine" aria-label="This report as a file">
        To take along:
        @foreach ($files as $form => $file)
            <a href="/shared/{{ $token }}/{{ $form }}">{{ \App\Report\Forms\Form::from($form)->words() }}</a>{{ $loop->last && !$hasRows ? '' : ' · ' }}
        @endforeach
        @if ($hasRows)
            <a href="/shared/{{ $token }}/rows">the rows as CSV</a>
        @endif
    </nav>
@endif
