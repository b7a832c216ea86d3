<x-reading title="No answers any more"><main class="answering"><h1>{{ __('form.gone_offline') }}</h1><x-typed :typed="$typed" :head="__('form.kept_here')" /></main></x-reading>
