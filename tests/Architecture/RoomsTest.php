<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The rooms of the house and the arrows between them; run by PHPStan. */
final class RoomsTest
{
    private const CORE = 'MistyAttic\Core';

    public function test_the_core_knows_no_framework(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace(self::CORE))
            ->shouldNot()->dependOn()->classes(Selector::inNamespace('Illuminate'), Selector::inNamespace('App'), Selector::inNamespace('Demo'), Selector::inNamespace('Carbon'))
            ->because('the core is plain PHP and is tested on its own');
    }

    public function test_content_stands_on_nothing(): Rule
    {
        return $this->room('Content', 'Kinds', 'Compare', 'Merge', 'History', 'Store', 'Formats');
    }

    public function test_kinds_stand_on_content(): Rule
    {
        return $this->room('Kinds', 'Compare', 'Merge', 'History', 'Store', 'Formats');
    }

    public function test_compare_stands_on_kinds_and_content(): Rule
    {
        return $this->room('Compare', 'Merge', 'History', 'Store', 'Formats');
    }

    public function test_the_store_knows_only_content(): Rule
    {
        return $this->room('Store', 'Kinds', 'Compare', 'Merge', 'History', 'Formats');
    }

    public function test_nothing_in_the_core_leans_on_merge_but_itself(): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace(self::CORE.'\History'), Selector::inNamespace(self::CORE.'\Formats'))
            ->shouldNot()->dependOn()->classes(Selector::inNamespace(self::CORE.'\Merge'), Selector::inNamespace(self::CORE.'\Store'))
            ->because('the arrows between the rooms point one way');
    }

    private function room(string $room, string ...$others): Rule
    {
        return PHPat::rule()->classes(Selector::inNamespace(self::CORE.'\\'.$room))
            ->shouldNot()->dependOn()->classes(...array_map(fn (string $other) => Selector::inNamespace(self::CORE.'\\'.$other), $others))
            ->because('the arrows between the rooms point one way');
    }
}
