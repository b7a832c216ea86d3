<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\SchemaKind;
use MistyAttic\Core\Miniature\Drawing;

/** Pages of questions with their choices and skip rules. */
final class FormKind extends SchemaKind
{
    /** A form that anybody on the shelf answers, as often as they like. */
    private const SETTINGS = ['once' => false, 'audience' => 'shelf', 'editable' => false];

    public function name(): string
    {
        return 'form';
    }

    public function roles(): string
    {
        return FormRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([
            new Part($firstId.'s', FormRole::Settings->value, 0, self::SETTINGS + ['thanks' => new RichText]),
            new Part($firstId, FormRole::Page->value, 0, ['title' => '']),
        ]);
    }

    /** A skip rule is known by what it leads to, a page without a title by the first that it asks. */
    public function label(PartTree $tree, Part $part): string
    {
        $shown = match (true) {
            $part->role === FormRole::Rule->value => $tree->find($part->string('target')),
            $part->role === FormRole::Page->value && $part->string('title') === '' && $tree->has($part->id) => $tree->find(
                $tree->children()[$part->id][0] ?? '',
            ),
            default => null,
        };

        return $shown === null ? parent::label($tree, $part) : $this->label($tree, $shown);
    }

    public function isPublishable(): bool
    {
        return true;
    }

    public function isAnswered(): bool
    {
        return true;
    }

    public function drawing(): Drawing
    {
        return new FormDrawing;
    }
}
