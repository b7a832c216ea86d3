<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Kinds\PartRole;

/**
 * The parts of a form: settings and pages at the top, questions on pages, below a question its choices, the lines of a grid, and skip
 * rules.
 */
enum FormRole: string implements PartRole
{
    case Settings = 'settings';
    case Page = 'page';
    case Question = 'question';
    case Choice = 'choice';

    /** A row of a grid; its columns are choices. */
    case Line = 'grid_line';
    case Rule = 'skip_rule';

    public function mayStandIn(?PartRole $parent): bool
    {
        return match ($this) {
            self::Settings, self::Page => $parent === null,
            self::Question => $parent === self::Page,
            self::Choice, self::Line, self::Rule => $parent === self::Question,
        };
    }

    public function fields(): array
    {
        return match ($this) {
            self::Settings => [
                'opens' => 'date?',
                'closes' => 'date?',
                'once' => 'bool',
                'audience' => 'words:anyone|shelf|named',
                'people' => 'list:200?',
                'editable' => 'bool',
                'thanks' => 'text',
            ],
            self::Page => ['title' => 'string:200'],
            self::Question => [
                'type' => 'words:short|long|one|several|scale|number|date|time|yes_no|email|file|grid|note',
                'text' => 'text',
                'help' => 'string:1000?',
                'required' => 'bool',
                'least' => 'number?',
                'most' => 'number?',
                'low' => 'string:100?',
                'high' => 'string:100?',
            ],
            self::Choice => ['label' => 'string:300', 'other' => 'bool'],
            self::Line => ['label' => 'string:300'],
            self::Rule => [
                'when' => 'words:is|is_not|contains|above|below|answered',
                'value' => 'string:300?',
                'action' => 'words:go|show|hide|end',
                'target' => 'string:24?',
            ],
        };
    }
}
