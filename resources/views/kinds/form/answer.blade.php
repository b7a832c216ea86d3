@if (isset($kept))
    <p class="answer-thanks" role="status">{{ __('views/kinds/form.answer.what_you_have_so_far_is') }}</p>
    <p>{{ __('views/kinds/form.answer.go_on_at_this_address_which') }} <a href="{{ $kept }}">{{ $kept }}</a></p>
@elseif ($closed !== null)
    <p class="answer-note" role="note">{{ $closed }}</p>
    <x-typed :typed="$typed ?? []" :head="__('form.kept_here')" />
@elseif ($answering->page === null)
    <p class="answer-note" role="note">{{ __('views/kinds/form.answer.nothing_is_asked_here_yet') }}</p>
@else
    <form method="post" action="{{ $action }}" enctype="multipart/form-data" class="answer-form" novalidate>
        @unless ($public && ($person ?? null) === null)@csrf @endunless
        @isset($base)<input type="hidden" name="base" value="{{ $base }}">@endisset @isset($proposal)<input type="hidden" name="proposal" value="{{ $proposal }}">@endisset
        @foreach ($answering->carried() as [$name, $value])<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
        @if ($answering->of > 1)<p class="answer-at">{{ __('views/kinds/form.answer.page', ['answering' => $answering->at]) }}@if ($answering->page->string('title') !== ''): {{ $answering->page->string('title') }}@endif</p>@elseif ($answering->page->string('title') !== '')<h2>{{ $answering->page->string('title') }}</h2>@endif
        @if ($answering->problems !== [])
            <div class="answer-problems" role="alert"><p>{{ trans_choice('form.fix', count($answering->problems)) }}</p><ul>@foreach ($answering->problems as $id => $problem)<li><a href="#q-{{ $id }}">{{ $answering->form->get($id)->richText()->text() }}</a></li>@endforeach</ul></div>
        @endif
        @foreach ($answering->questions as $question)
            @include('kinds.form.ask', ['question' => $question, 'wrong' => $answering->wrong($question->id), 'name' => "a[{$question->id}]"])
        @endforeach
        <div class="answer-do">
            @if ($answering->back !== null)<button class="button" name="to" value="{{ $answering->back }}" formnovalidate>{{ __('views/kinds/form.answer.back') }}</button>@endif
            @if ($public)<button class="button is-later" name="later" value="1">{{ __('views/kinds/form.answer.keep_it_for_another_day') }}</button>@endif
            <button class="button is-dark">{{ $answering->at === $answering->of ? __('views/kinds/form.answer.send') : __('views/kinds/form.answer.go_on') }}</button>
        </div>
    </form>
@endif
