<p class="answer-thanks" role="status">{{ $thanks === '' ? __('views/kinds/form.thanks.thank_you_your_answers_are_with') : $thanks }}</p>
@if ($mine !== null)<p>{{ __('views/kinds/form.thanks.you_can') }} <a href="{{ $mine }}">{{ __('views/kinds/form.thanks.change_your_answers') }}</a> {{ __('views/kinds/form.thanks.later_keep_this_address_and_pass') }}</p>@endif
<x-typed :typed="$left ?? []" :head="__('form.left')" />
<p>{{ __('views/kinds/form.thanks.this_was_number', ['number' => $entry->number]) }} <a href="{{ $again }}">{{ __('views/kinds/form.thanks.send_another_one') }}</a></p>
