<x-layout :title="__('work.'.$task->name.'.'.$task->state)" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>{{ __("work.{$task->name}.{$task->state}") }}</h1>
        @if (in_array($task->state, ['waiting', 'working'], true))
            <p class="door-note" role="status">{{ $task->state === 'waiting' ? trans_choice('work.before', $before, ['count' => (string) $before]) : __($task->share === null ? 'work.since' : 'work.share', ['seconds' => (string) max(0, (int) $task->started_at?->diffInSeconds(now())), 'share' => (string) $task->share]) }}</p>
            <progress class="progress" @if ($task->share !== null) value="{{ $task->share }}" max="100" @endif aria-label="{{ __("work.{$task->name}.{$task->state}") }}"></progress>
            <p class="door-note">{{ __('work.leave') }}</p>
        @elseif ($task->state === 'done')
            <p><a class="button is-dark has-name" href="{{ route('work.file', $task) }}" download>{{ __('work.take', ['name' => $task->response['file']['name'] ?? '']) }}</a></p>
            <p class="door-note">{{ __('work.kept') }}</p>
        @else
            <p class="door-note" role="alert">{{ $task->response['said'] ?? __('work.failed') }}</p>
        @endif
        <p><a class="button" href="{{ $task->request['from'] }}">{{ __('work.back') }}</a></p>
    </div></main>
</x-layout>
