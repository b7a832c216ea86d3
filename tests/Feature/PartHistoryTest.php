<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** The history of a part that holds others: what changed below it is its own. */
final class PartHistoryTest extends FeatureCase
{
    private User $ines;

    private Item $form;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->form = $this->app
            ->make(MakeItem::class)
            ->handle($this->shelf('Open days', [[$this->ines, Role::Owner]]), $this->ines, 'form', 'Book');
        $this->actingAs($this->ines);
    }

    /**
     * @param  list<string>  $choices
     * @param  list<string>  $first  questions before it
     */
    private function asked(array $choices, string $text = 'What is wrong?', array $first = [], bool $there = true): void
    {
        $this->travel(3)->minutes();
        $other = fn (string $id): Part => new Part($id, 'question', 1, [
            'type' => 'short',
            'text' => RichText::plain("Question {$id}"),
            'required' => false,
        ]);
        $this->save(
            $this->form,
            $this->ines,
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'First']),
                ...array_map($other, $first),
                ...! $there
                    ? []
                    : [
                        new Part('qone', 'question', 1, ['type' => 'one', 'text' => RichText::plain($text), 'required' => false]),
                        ...array_map(
                            fn (string $label): Part => new Part('c'.strtolower($label), 'choice', 2, ['label' => $label]),
                            $choices,
                        ),
                    ],
                ...array_map($other, array_diff(['qtwo'], $first)),
            ]),
        );
    }

    public function test_what_changed_below_a_part_is_in_its_history_and_what_was_right_before_it_went_is_offered_first(): void
    {
        $this->asked(['Cable', 'Zip']);
        $this->asked(['Cable', 'Zip', 'Seam']);
        $this->asked(['Cable', 'Seam']);
        $this->asked([], there: false);
        $page = $this->get(route('part', [$this->form, 'qone']))->assertOk();
        $page->assertSeeInOrder(
            [
                '4 versions changed it',
                'Removed',
                'gone now',
                'Bring it back as it was before that',
                'Removed the choice “Zip”',
                'Added the choice “Seam”',
                'Added',
            ],
            false,
        );
        self::assertSame(1, substr_count((string) $page->getContent(), 'Bring it back as it was before that'));
        $this->post(route('part.restore', [$this->form, 'qone', $this->form->refresh()->head - 1]), [
            'seen' => $this->form->head,
        ])->assertSessionHasNoErrors();
        self::assertSame(['qone', 'ccable', 'cseam'], array_column($this->tree($this->form->refresh())->subtree('qone'), 'id'));
        // A choice that came and went in between is not forgotten, and what is as it was says so.
        $this->get(route('part', [$this->form, 'qone']))->assertSee('5 versions changed it')->assertSee('as it is now');
        $this->get(route('part', [$this->form, 'qtwo']))->assertSee('One version changed it');
    }

    public function test_as_it_is_now_is_told_by_comparing_and_the_place_counts(): void
    {
        $this->asked(['Cable']);
        $this->asked(['Cable'], 'What is it?');
        $this->asked(['Cable'], 'What is it?', ['qtwo']);
        $now = fn (): int => substr_count((string) $this->get(route('part', [$this->form, 'qtwo']))->getContent(), 'as it is now');
        self::assertSame(1, $now());
        $this->asked(['Cable'], 'What is it?');
        // Moved there and back: it is as it was at first, though it was moved since.
        self::assertSame(2, $now());
    }
}
