<x-layout title="What is kept here">
    <div class="frame">
        <x-shelves :current="null" at="place" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>What is kept here</h1><p>shelves and items may have rules of their own</p></div>
            <x-problems />
            <x-keeping-form :tried="$rules" :action="route('keeping.place.say')" :can="true" />
        </main>
    </div>
</x-layout>
