<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The rooms of the house and the arrows between them; run by PHPStan. */
final class RoomsTest
{
    private const CORE = 'MistyAttic\Core';

    public function test_the_core_knows_no_framework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace(self::CORE))
            ->shouldNot()
            ->dependOn()
            ->classes(
                Selector::inNamespace('Illuminate'),
                Selector::inNamespace('App'),
                Selector::inNamespace('Demo'),
                Selector::inNamespace('Carbon'),
            )
            ->because('the core is plain PHP and is tested on its own');
    }

    public function test_content_and_sequences_stand_on_nothing(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace(self::CORE.'\Content'), Selector::inNamespace(self::CORE.'\Sequences'))
            ->shouldNot()
            ->dependOn()
            ->classes(
                ...array_map(fn (string $other) => Selector::inNamespace(self::CORE.'\\'.$other), [
                    'Kinds',
                    'Miniature',
                    'Calculate',
                    'Compare',
                    'Merge',
                    'History',
                    'Store',
                    'Formats',
                    'Files',
                ]),
            )
            ->because('the arrows between the rooms point one way');
    }

    public function test_miniatures_stand_on_content_and_know_no_kind(): Rule
    {
        return $this->room('Miniature', 'Kinds', 'Sequences', 'Calculate', 'Compare', 'Merge', 'History', 'Store', 'Formats', 'Files');
    }

    public function test_kinds_stand_on_content(): Rule
    {
        return $this->room('Kinds', 'Calculate', 'Compare', 'Merge', 'History', 'Store', 'Formats', 'Files');
    }

    public function test_calculating_stands_on_kinds(): Rule
    {
        return $this->room('Calculate', 'Compare', 'Merge', 'History', 'Store', 'Formats', 'Files');
    }

    public function test_compare_stands_on_kinds_content_and_sequences(): Rule
    {
        return $this->room('Compare', 'Calculate', 'Merge', 'History', 'Store', 'Formats', 'Files');
    }

    public function test_merge_stands_on_compare(): Rule
    {
        return $this->room('Merge', 'Calculate', 'History', 'Store', 'Formats', 'Files');
    }

    public function test_history_stands_on_compare(): Rule
    {
        return $this->room('History', 'Calculate', 'Merge', 'Store', 'Formats', 'Files');
    }

    public function test_the_store_knows_only_content_and_sequences(): Rule
    {
        return $this->room('Store', 'Kinds', 'Calculate', 'Compare', 'Merge', 'History', 'Formats', 'Files');
    }

    public function test_formats_stand_on_kinds_and_content(): Rule
    {
        return $this->room('Formats', 'Sequences', 'Calculate', 'Compare', 'Merge', 'History', 'Store', 'Files');
    }

    public function test_files_know_no_history_and_no_store(): Rule
    {
        return $this->room('Files', 'History', 'Store');
    }

    public function test_what_all_kinds_share_knows_none_of_their_rooms(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace('App'))->excluding(Selector::inNamespace('App\Kinds'))
            ->shouldNot()->dependOn()->classes(Selector::inNamespace('App\Kinds'))
            ->because('a kind is found by its name, and what it has of its own stands in its room');
    }

    public function test_what_all_kinds_share_knows_no_kind_of_the_core(): Rule
    {
        $rooms = array_map(
            fn (string $file) => Selector::inNamespace(self::CORE.'\Kinds\\'.basename(dirname($file))),
            glob(__DIR__.'/../../core/Kinds/*/*Kind.php') ?: [],
        );

        return PHPat::rule()->classes(Selector::inNamespace('App'))->excluding(Selector::inNamespace('App\Kinds'))
            ->shouldNot()->dependOn()->classes(...$rooms)
            ->because('all is said about parts, and what a kind makes of them it says itself');
    }

    /** All that writes passes Saving, so it knows nothing of what wants to write. */
    public function test_saving_knows_no_other_of_what_happens(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Saving'))
            ->shouldNot()
            ->dependOn()
            ->classes(...self::app('Making', 'Restoring', 'Past', 'Publishing', 'Sharing', 'Keeping', 'View', 'Http'))
            ->because('ways to write change, and what holds for all of them does not');
    }

    public function test_what_happens_knows_no_other_of_its_kind(): Rule
    {
        return PHPat::rule()->classes(...self::app('Restoring', 'Past', 'Publishing', 'Sharing', 'Keeping'))
            ->shouldNot()->dependOn()->classes(...self::app('Making', 'View', 'Http'))
            ->because('an action is called by a screen, and calls Saving');
    }

    public function test_looking_back_knows_no_screen_that_stands_on_it(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\View'))
            ->excluding(
                ...self::app('View\Desks', 'View\Readers', 'View\Plans', 'View\Shelf', 'View\Keeping', 'View\ForYou', 'View\Components'),
            )
            ->shouldNot()
            ->dependOn()
            ->classes(
                ...self::app('View\Desks', 'View\Readers', 'View\Plans', 'View\Shelf', 'View\Keeping', 'View\ForYou', 'View\Components'),
            )
            ->because('what is shown of a state or a step is the same wherever it is shown');
    }

    public function test_what_is_compared_stands_on_matching_and_is_told_last(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::inNamespace(self::CORE.'\Compare\Changes'),
                Selector::inNamespace(self::CORE.'\Compare\Match'),
                Selector::inNamespace(self::CORE.'\Compare\Texts'),
            )
            ->shouldNot()
            ->dependOn()
            ->classes(Selector::inNamespace(self::CORE.'\Compare\Telling'))
            ->because('what changed is found before it is told');
    }

    /** @return list<SelectorInterface> */
    private static function app(string ...$rooms): array
    {
        return array_map(fn (string $room) => Selector::inNamespace('App\\'.$room), array_values($rooms));
    }

    private function room(string $room, string ...$others): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace(self::CORE.'\\'.$room))
            ->shouldNot()->dependOn()->classes(...array_map(fn (string $other) => Selector::inNamespace(self::CORE.'\\'.$other), $others))
            ->because('the arrows between the rooms point one way');
    }
}
