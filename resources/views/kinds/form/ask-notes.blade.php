@if ($question->string('help') !== '')<p class="ask-help" id="h-{{ $question->id }}">{{ $question->string('help') }}</p>@endif
@if ($wrong !== null)<p class="ask-wrong" id="w-{{ $question->id }}">{{ $wrong }}</p>@endif
